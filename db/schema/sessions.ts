import { boolean, index, integer, pgTable, text, timestamp, uuid } from 'drizzle-orm/pg-core'
import { staff } from './people'

const at = (name: string) => timestamp(name, { withTimezone: true, mode: 'date' })

/**
 * Who is signed in where. The cookie names the row and nothing else: what ends or locks a session is
 * done here, so that no reply under way can open it again.
 */
export const sessions = pgTable(
  'sessions',
  {
    id: uuid('id').primaryKey(),
    staffId: uuid('staff_id')
      .notNull()
      .references(() => staff.id),
    startedAt: at('started_at').notNull().defaultNow(),
    seenAt: at('seen_at').notNull().defaultNow(),
    locked: boolean('locked').notNull().default(false),
    endedAt: at('ended_at'),
  },
  (table) => [index('sessions_staff').on(table.staffId)],
)

/** Tries to come in, by hash of what was tried: counted before they are judged, for all servers. */
export const loginAttempts = pgTable(
  'login_attempts',
  {
    id: integer('id').primaryKey().generatedAlwaysAsIdentity(),
    keyHash: text('key_hash').notNull(),
    at: at('at').notNull().defaultNow(),
  },
  (table) => [index('login_attempts_key_at').on(table.keyHash, table.at)],
)
