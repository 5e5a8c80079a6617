import { index, pgTable, text, timestamp, uniqueIndex, uuid } from 'drizzle-orm/pg-core'
import { sql } from 'drizzle-orm'

const at = (name: string) => timestamp(name, { withTimezone: true, mode: 'date' })

/**
 * The practices that share this database, each with its own rooms, shelf and staff. Every other
 * table that is somebody's has a column `branch_id` of the database's own: it fills itself in, and
 * decides which rows a connection sees.
 */
export const branches = pgTable('branches', {
  id: uuid('id').primaryKey(),
  /** As whoever added it calls it; what the practice is called is told in its first hour. */
  name: text('name').notNull().unique(),
  openedAt: at('opened_at').notNull().defaultNow(),
  /** SHA-256 of the key that opens its first hour; the first one's is the start command's. */
  keyHash: text('key_hash').unique(),
})

/**
 * A client of one practice who may be seen at another: their file here and their file there. What
 * was done at either counts at both.
 */
export const clientShares = pgTable(
  'client_shares',
  {
    id: uuid('id').primaryKey(),
    homeBranch: uuid('home_branch')
      .notNull()
      .references(() => branches.id),
    homeFile: uuid('home_file').notNull(),
    atBranch: uuid('at_branch')
      .notNull()
      .references(() => branches.id),
    atFile: uuid('at_file').notNull(),
    /** Who allowed it, of the practice whose client it is. */
    by: uuid('by').notNull(),
    at: at('at').notNull().defaultNow(),
    endedAt: at('ended_at'),
  },
  (table) => [
    uniqueIndex('client_shares_once')
      .on(table.homeFile, table.atBranch)
      .where(sql`${table.endedAt} is null`),
    index('client_shares_there').on(table.atFile),
  ],
)
