import { sql } from 'drizzle-orm'
import { check, date, index, integer, pgTable, text, uuid } from 'drizzle-orm/pg-core'
import { staff } from './people'

/**
 * When the house is open, and when each person works, by weekday (1 Monday to 7 Sunday), in minutes
 * from midnight of the house's own day. Two stretches of one day leave the break between them.
 * Without any the house is open and the person works whenever the house does.
 */
export const openings = pgTable(
  'openings',
  {
    id: uuid('id').primaryKey(),
    /** Null for the house. */
    staffId: uuid('staff_id').references(() => staff.id),
    weekday: integer('weekday').notNull(),
    fromMinute: integer('from_minute').notNull(),
    toMinute: integer('to_minute').notNull(),
  },
  (table) => [
    check('openings_weekday', sql`${table.weekday} between 1 and 7`),
    check(
      'openings_order',
      sql`0 <= ${table.fromMinute} and ${table.fromMinute} < ${table.toMinute} and ${table.toMinute} <= 1440`,
    ),
  ],
)

/** Days on which the house is shut (no person) or somebody is away. */
export const absences = pgTable(
  'absences',
  {
    id: uuid('id').primaryKey(),
    staffId: uuid('staff_id').references(() => staff.id),
    firstDay: date('first_day', { mode: 'string' }).notNull(),
    lastDay: date('last_day', { mode: 'string' }).notNull(),
    word: text('word').notNull(),
  },
  (table) => [
    index('absences_last').on(table.lastDay),
    check('absences_order', sql`${table.firstDay} <= ${table.lastDay}`),
  ],
)
