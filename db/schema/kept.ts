import { sql } from 'drizzle-orm'
import { bigint, check, integer, pgTable, text, timestamp } from 'drizzle-orm/pg-core'

/** When the house was last backed up: written after the file stands whole, by the tool that made it. */
export const backups = pgTable(
  'backups',
  {
    at: timestamp('at', { withTimezone: true, mode: 'date' }).primaryKey(),
    kind: text('kind', { enum: ['nightly', 'byHand'] }).notNull(),
    bytes: bigint('bytes', { mode: 'number' }).notNull(),
  },
  (table) => [check('backups_kind', sql`${table.kind} in ('nightly','byHand')`)],
)

/** One row that is written to learn whether the house can be written to at all. */
export const pulse = pgTable(
  'pulse',
  {
    id: integer('id').primaryKey().default(1),
    at: timestamp('at', { withTimezone: true, mode: 'date' }).notNull().defaultNow(),
  },
  (table) => [check('pulse_one_row', sql`${table.id} = 1`)],
)
