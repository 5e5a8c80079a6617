import { sql } from 'drizzle-orm'
import {
  boolean,
  check,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  text,
  timestamp,
  uuid,
} from 'drizzle-orm/pg-core'
import type { CostId } from '#core/catalogue/rules/costs'
import type { ToolId } from '#core/catalogue/techniques/tools'
import type { CostLine } from '#core/cost/visitCost'
import type { CleaningStep } from '#core/hygiene/tools'
import type { OpenedKind } from '#core/catalogue/rules/opened'
import { clients, staff } from './people'
import { lots, products } from './shelf'
import { visits } from './visits'

const at = (name: string) => timestamp(name, { withTimezone: true, mode: 'date' })

/** What is laid out for a visit so far: every tablet of the house shows the same ticks. */
export const trayTicks = pgTable(
  'tray_ticks',
  {
    visitId: uuid('visit_id')
      .notNull()
      .references(() => visits.id),
    key: text('key').notNull(),
    by: uuid('by')
      .notNull()
      .references(() => staff.id),
    at: at('at').notNull().defaultNow(),
  },
  (table) => [primaryKey({ columns: [table.visitId, table.key] })],
)

/** How many the house has of a tool, and for how long its disinfectant must stay wet on it. */
export const tools = pgTable(
  'tools',
  {
    tool: text('tool').$type<ToolId>().primaryKey(),
    pieces: integer('pieces').notNull(),
    contactMinutes: integer('contact_minutes').notNull(),
    /** Visits after which its worn part is due; none: as is usual. */
    changeAfter: integer('change_after'),
  },
  (table) => [
    check('tools_pieces', sql`${table.pieces} between 0 and 100`),
    check('tools_contact', sql`${table.contactMinutes} between 1 and 120`),
  ],
)

/** One piece of a tool was used at a visit: it waits to be made clean. Insert only. */
export const toolUses = pgTable(
  'tool_uses',
  {
    visitId: uuid('visit_id')
      .notNull()
      .references(() => visits.id),
    tool: text('tool').$type<ToolId>().notNull(),
    at: at('at').notNull().defaultNow(),
  },
  (table) => [
    primaryKey({ columns: [table.visitId, table.tool] }),
    index('tool_uses_tool').on(table.tool, table.at),
  ],
)

/** What was done to make tools clean, by whom and when. Insert only. */
export const cleanings = pgTable(
  'cleanings',
  {
    id: uuid('id').primaryKey(),
    tool: text('tool').$type<ToolId>().notNull(),
    step: text('step').$type<CleaningStep>().notNull(),
    pieces: integer('pieces').notNull(),
    by: uuid('by')
      .notNull()
      .references(() => staff.id),
    at: at('at').notNull().defaultNow(),
    /** When it was written down: what was done without a tap is entered afterwards. */
    enteredAt: at('entered_at').notNull().defaultNow(),
  },
  (table) => [
    index('cleanings_tool').on(table.tool, table.at),
    index('cleanings_at').on(table.at),
    check('cleanings_step', sql`${table.step} in ('washed','soaking','ready','changed')`),
    check('cleanings_pieces', sql`${table.pieces} between 1 and 100`),
  ],
)

/** What is good for a time only once it is opened, mixed, warmed or packed. */
export const openedThings = pgTable(
  'opened_things',
  {
    id: uuid('id').primaryKey(),
    what: text('what').$type<OpenedKind>().notNull(),
    name: text('name').notNull(),
    productId: text('product_id').references(() => products.id),
    lotId: text('lot_id').references(() => lots.id),
    clientId: uuid('client_id').references(() => clients.id),
    visitId: uuid('visit_id').references(() => visits.id),
    at: at('at').notNull().defaultNow(),
    until: at('until').notNull(),
    by: uuid('by')
      .notNull()
      .references(() => staff.id),
    endedAt: at('ended_at'),
    endedHow: text('ended_how', { enum: ['used', 'thrown', 'home'] }),
    endedBy: uuid('ended_by').references(() => staff.id),
  },
  (table) => [
    index('opened_things_client').on(table.clientId),
    index('opened_things_open')
      .on(table.until)
      .where(sql`${table.endedAt} is null`),
    check('opened_things_what', sql`${table.what} in ('half','mix','cloths','bath','pack')`),
    check('opened_things_until', sql`${table.until} > ${table.at}`),
    // A half and a mix are one person's: a shared pot is refused.
    check(
      'opened_things_whose',
      sql`${table.what} not in ('half','mix') or ${table.clientId} is not null`,
    ),
  ],
)

/** What a visit costs the house beside its products, in cents of its currency. */
export const houseCosts = pgTable(
  'house_costs',
  {
    id: integer('id').primaryKey().default(1),
    cents: jsonb('cents').$type<Partial<Record<CostId, number>>>().notNull(),
    version: integer('version').notNull().default(1),
  },
  (table) => [check('house_costs_one_row', sql`${table.id} = 1`)],
)

/** The price list. A price that is no longer asked stands for the visits that had it. */
export const prices = pgTable(
  'prices',
  {
    id: uuid('id').primaryKey(),
    name: text('name').notNull(),
    cents: integer('cents').notNull(),
    retired: boolean('retired').notNull().default(false),
    version: integer('version').notNull().default(1),
  },
  (table) => [check('prices_cents', sql`${table.cents} between 0 and 10000000`)],
)

/** What a visit was billed as, at the price of that day. */
export const visitPrices = pgTable('visit_prices', {
  visitId: uuid('visit_id')
    .primaryKey()
    .references(() => visits.id),
  priceId: uuid('price_id')
    .notNull()
    .references(() => prices.id),
  cents: integer('cents').notNull(),
  by: uuid('by')
    .notNull()
    .references(() => staff.id),
  at: at('at').notNull().defaultNow(),
})

/** What a sealed visit has cost the house, line by line, at the costs of that day. Insert only. */
export const visitCosts = pgTable('visit_costs', {
  visitId: uuid('visit_id')
    .primaryKey()
    .references(() => visits.id),
  lines: jsonb('lines').$type<CostLine[]>().notNull(),
  cents: integer('cents').notNull(),
})
