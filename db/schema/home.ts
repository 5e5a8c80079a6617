import { index, jsonb, pgTable, timestamp, uuid } from 'drizzle-orm/pg-core'
import type { HomeAsked, HomeWishes } from '#core/home/asked'
import type { HomeRoutine } from '#core/home/routine'
import { clients, staff } from './people'
import { visits } from './visits'

const at = (name: string) => timestamp(name, { withTimezone: true, mode: 'date' })
const ofVisit = () => ({
  id: uuid('id').primaryKey(),
  clientId: uuid('client_id')
    .notNull()
    .references(() => clients.id),
  visitId: uuid('visit_id')
    .notNull()
    .references(() => visits.id),
  by: uuid('by')
    .notNull()
    .references(() => staff.id),
  at: at('at').notNull().defaultNow(),
})

/** What a client said of home before a routine was written. Insert only: the latest counts. */
export const homeAsked = pgTable(
  'home_asked',
  { ...ofVisit(), asked: jsonb('asked').$type<HomeAsked>().notNull() },
  (table) => [index('home_asked_client').on(table.clientId, table.at)],
)

/** The routine as it was written for the mirror. Insert only: a change is another version. */
export const homeRoutines = pgTable(
  'home_routines',
  {
    ...ofVisit(),
    asked: jsonb('asked').$type<HomeAsked>().notNull(),
    wishes: jsonb('wishes').$type<HomeWishes>().notNull(),
    routine: jsonb('routine').$type<HomeRoutine>().notNull(),
  },
  (table) => [index('home_routines_client').on(table.clientId, table.at)],
)
