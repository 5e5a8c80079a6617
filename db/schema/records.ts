import { sql } from 'drizzle-orm'
import {
  boolean,
  check,
  date,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  text,
  timestamp,
  unique,
  uuid,
} from 'drizzle-orm/pg-core'
import { clients, staff } from './people'
import { visits } from './visits'

const at = (name: string) => timestamp(name, { withTimezone: true, mode: 'date' })

/** One chain for the practice: each seal stands on the head before it. Insert only. */
export const seals = pgTable(
  'seals',
  {
    number: integer('number').primaryKey(),
    visitId: uuid('visit_id')
      .notNull()
      .references(() => visits.id)
      .unique(),
    prev: text('prev').notNull().unique(),
    head: text('head').notNull().unique(),
    by: uuid('by')
      .notNull()
      .references(() => staff.id),
    at: at('at').notNull().defaultNow(),
  },
  (table) => [
    check('seals_hex', sql`${table.prev} ~ '^[0-9a-f]{64}$' and ${table.head} ~ '^[0-9a-f]{64}$'`),
  ],
)

/** Commitments stay for ever; content and salt go when a client's data is erased. */
export const sealItems = pgTable(
  'seal_items',
  {
    visitId: uuid('visit_id')
      .notNull()
      .references(() => seals.visitId),
    place: integer('place').notNull(),
    name: text('name').notNull(),
    commitment: text('commitment').notNull(),
    content: jsonb('content'),
    salt: text('salt'),
  },
  (table) => [
    primaryKey({ columns: [table.visitId, table.place] }),
    check('seal_items_hex', sql`${table.commitment} ~ '^[0-9a-f]{64}$'`),
  ],
)

/** Later changes, in the open: both texts and why. Insert only. */
export const amendments = pgTable(
  'amendments',
  {
    id: uuid('id').primaryKey(),
    visitId: uuid('visit_id')
      .notNull()
      .references(() => seals.visitId),
    before: text('before'),
    after: text('after'),
    reason: text('reason'),
    by: uuid('by')
      .notNull()
      .references(() => staff.id),
    at: at('at').notNull().defaultNow(),
    /** Its place in the chain of amendments; those from before there was one have none. */
    number: integer('number').unique(),
    prev: text('prev').unique(),
    head: text('head').unique(),
    commitment: text('commitment'),
    salt: text('salt'),
  },
  (table) => [index('amendments_visit').on(table.visitId)],
)

export const followUps = pgTable(
  'follow_ups',
  {
    id: uuid('id').primaryKey(),
    visitId: uuid('visit_id')
      .notNull()
      .references(() => visits.id)
      .unique(),
    dueOn: date('due_on', { mode: 'string' }).notNull(),
    reason: text('reason').notNull(),
    doneAt: at('done_at'),
  },
  (table) => [
    index('follow_ups_due')
      .on(table.dueOn)
      .where(sql`${table.doneAt} is null`),
  ],
)

/** What was poured in at home or elsewhere, as the client told it. */
export const homeUse = pgTable(
  'home_use',
  {
    id: uuid('id').primaryKey(),
    clientId: uuid('client_id')
      .notNull()
      .references(() => clients.id),
    at: at('at').notNull(),
    label: text('label').notNull(),
    hundredths: integer('hundredths').notNull(),
  },
  (table) => [index('home_use_client').on(table.clientId, table.at)],
)

/**
 * Visits recorded by another house, as they came. Whether their seal holds is checked at import; it
 * is never taken for one of ours.
 */
export const imports = pgTable(
  'imports',
  {
    id: uuid('id').primaryKey(),
    clientId: uuid('client_id')
      .notNull()
      .references(() => clients.id),
    document: jsonb('document'),
    head: text('head').notNull(),
    holds: boolean('holds').notNull(),
    ours: boolean('ours').notNull(),
    by: uuid('by')
      .notNull()
      .references(() => staff.id),
    at: at('at').notNull().defaultNow(),
  },
  (table) => [unique('imports_once').on(table.clientId, table.head)],
)
