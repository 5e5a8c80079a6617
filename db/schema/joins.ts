import { index, jsonb, pgTable, timestamp, uuid } from 'drizzle-orm/pg-core'
import { staff } from './people'

const at = (name: string) => timestamp(name, { withTimezone: true, mode: 'date' })

/**
 * Two files of one person made one: which was kept, the whole row of the other, and what was moved, so
 * that it can be parted again. Written by the database's own functions alone.
 */
export const clientJoins = pgTable(
  'client_joins',
  {
    id: uuid('id').primaryKey(),
    keptId: uuid('kept_id').notNull(),
    joinedId: uuid('joined_id').notNull(),
    /** The other file as it was; gone once the kept one is erased. */
    joined: jsonb('joined').$type<Record<string, unknown> | null>(),
    /** What was filled in on the kept file: each field as it was and as it became. */
    filled: jsonb('filled').$type<{ before: object; after: object } | null>(),
    /** Ids of the rows that were moved, by table; and visits taken in that both files had. */
    moved: jsonb('moved').$type<Record<string, string[]>>().notNull(),
    dropped: jsonb('dropped').$type<unknown[]>().notNull(),
    by: uuid('by')
      .notNull()
      .references(() => staff.id),
    at: at('at').notNull().defaultNow(),
    partedAt: at('parted_at'),
  },
  (table) => [index('client_joins_kept').on(table.keptId)],
)
