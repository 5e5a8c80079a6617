import { sql } from 'drizzle-orm'
import {
  boolean,
  check,
  date,
  index,
  integer,
  jsonb,
  pgTable,
  text,
  timestamp,
  uuid,
} from 'drizzle-orm/pg-core'
import type { Recipe } from '#core/catalogue/products/recipes'
import type { Dispenser, Product } from '#core/catalogue/products/products'
import { staff } from './people'
import { visits } from './visits'

export const products = pgTable(
  'products',
  {
    id: text('id').primaryKey(),
    name: text('name').notNull(),
    line: text('line').notNull(),
    kind: text('kind').$type<Product['kind']>().notNull(),
    inci: jsonb('inci').$type<string[]>().notNull(),
    density: integer('density_per_mille').notNull(),
    dispenser: jsonb('dispenser').$type<Dispenser>().notNull(),
    suits: jsonb('suits').$type<Product['suits']>().notNull(),
    calming: boolean('calming').notNull(),
    acid: jsonb('acid').$type<NonNullable<Product['acid']>>(),
    pHHundredths: integer('ph_hundredths'),
    packMillilitres: integer('pack_millilitres').notNull(),
    priceCents: integer('price_cents').notNull(),
    openMonths: integer('open_months').notNull(),
    /** Minutes that it rests by its label; none: those of its kind. */
    rests: jsonb('rests').$type<NonNullable<Product['rests']>>(),
    /** How it comes off by its label; none: it is rinsed. */
    wayOff: text('way_off').$type<NonNullable<Product['wayOff']>>(),
    /** What it is mixed with in this house. */
    recipe: jsonb('recipe').$type<Recipe>(),
    /** The change of shade its maker states, where it has one. */
    colourChange: text('colour_change'),
    /** Fewer millilitres than these on the shelf are spoken of; none: never. */
    reorderMillilitres: integer('reorder_millilitres'),
    /** No longer kept: not planned any more; what was done with it stands. */
    retired: boolean('retired').notNull().default(false),
    version: integer('version').notNull().default(1),
  },
  (table) => [
    check(
      'products_amounts',
      sql`${table.density} between 500 and 3000 and ${table.packMillilitres} > 0
        and ${table.priceCents} >= 0 and ${table.openMonths} between 1 and 60`,
    ),
  ],
)

export const lots = pgTable(
  'lots',
  {
    id: text('id').primaryKey(),
    productId: text('product_id')
      .notNull()
      .references(() => products.id),
    code: text('code').notNull(),
    expires: date('expires', { mode: 'string' }).notNull(),
    openedOn: date('opened_on', { mode: 'string' }),
    recalled: boolean('recalled').notNull().default(false),
    remainingHundredths: integer('remaining_hundredths_ml').notNull().default(0),
  },
  (table) => [
    check('lots_remaining', sql`${table.remainingHundredths} >= 0`),
    index('lots_product').on(table.productId),
    index('lots_standing')
      .on(table.productId)
      .where(sql`${table.remainingHundredths} > 0`),
    index('lots_opened').on(table.openedOn),
  ],
)

/**
 * Every change of a bottle, insert only: what is left is the sum of `hundredths`. Bottles that stood
 * before this was kept begin with what was left of them.
 */
export const lotMovements = pgTable(
  'lot_movements',
  {
    id: uuid('id').primaryKey(),
    lotId: text('lot_id')
      .notNull()
      .references(() => lots.id),
    kind: text('kind', {
      enum: ['received', 'opened', 'used', 'counted', 'writtenOff', 'recalled', 'corrected'],
    }).notNull(),
    /** Hundredths of a millilitre more (received) or less (used). */
    hundredths: integer('hundredths').notNull(),
    reason: text('reason').notNull().default(''),
    visitId: uuid('visit_id').references(() => visits.id),
    by: uuid('by').references(() => staff.id),
    at: timestamp('at', { withTimezone: true, mode: 'date' }).notNull().defaultNow(),
  },
  (table) => [
    index('lot_movements_lot').on(table.lotId, table.at),
    index('lot_movements_recalled')
      .on(table.at, table.lotId)
      .where(sql`${table.kind} = 'recalled'`),
  ],
)
