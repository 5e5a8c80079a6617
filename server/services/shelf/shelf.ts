import { IN_HAND_DAYS } from '#core/catalogue/rules/dues'
import { asc, gt, or, sql } from 'drizzle-orm'
import { readLabel } from '#core/catalogue/products/label'
import { addDays } from '#core/screening/asking/days'
import { fromHundredths, fromThousandths } from '#core/units'
import type { Lot, Product } from '#core/catalogue/products/products'
import type { ShelfItem } from '#core/planning/input'
import { lotMovements, lots, products } from '#db/schema'
import { database } from '../database'
import { dayIn } from '../dates'
import { thePractice } from '../practice'

type ProductRow = typeof products.$inferSelect
export const productOf = (row: ProductRow): Product => ({
  id: row.id,
  name: row.name,
  line: row.line,
  kind: row.kind,
  inci: row.inci,
  density: fromThousandths(row.density),
  dispenser: row.dispenser,
  suits: row.suits,
  calming: row.calming,
  packMillilitres: row.packMillilitres,
  priceCents: row.priceCents,
  openMonths: row.openMonths,
  ...(row.rests === null ? {} : { rests: row.rests }),
  ...(row.wayOff === null ? {} : { wayOff: row.wayOff }),
  ...(row.recipe === null ? {} : { recipe: row.recipe }),
  ...(row.colourChange === null ? {} : { colourChange: row.colourChange }),
  ...(row.acid === null ? {} : { acid: row.acid }),
  ...(row.pHHundredths === null ? {} : { pH: fromHundredths(row.pHHundredths) }),
})
export const lotOf = (bottle: typeof lots.$inferSelect, recalledAt?: Date): Lot => ({
  id: bottle.id,
  productId: bottle.productId,
  code: bottle.code,
  expires: bottle.expires,
  recalled: bottle.recalled,
  ...(recalledAt === undefined ? {} : { recalledAt: recalledAt.getTime() }),
  remainingMillilitres: fromHundredths(bottle.remainingHundredths),
  ...(bottle.openedOn === null ? {} : { openedOn: bottle.openedOn }),
})

/** With what is stirred into it: every part is read against allergies, light and skin. */
const withParts = (product: Product): Product =>
  product.recipe
    ? {
        ...product,
        inci: [...product.inci, ...product.recipe.others.flatMap(({ label }) => readLabel(label))],
      }
    : product

/**
 * The shelf as the core sees it: bottles that hold something, and those in hand. A product that is
 * kept no longer has its name still, for what was done with it, and no bottle.
 */
export async function readShelf(): Promise<ShelfItem[]> {
  const { timeZone } = await thePractice()
  const lately = addDays(dayIn(timeZone, Date.now()), -IN_HAND_DAYS)
  const [rows, bottles, calls] = await Promise.all([
    database().select().from(products),
    database()
      .select()
      .from(lots)
      .where(or(sql`${lots.remainingHundredths} > 0`, gt(lots.openedOn, lately))),
    database()
      .select({ lotId: lotMovements.lotId, at: lotMovements.at })
      .from(lotMovements)
      // Written out: a parameter would hide from the planner that the index of recalls serves.
      .where(sql`${lotMovements.kind} = 'recalled'`)
      .orderBy(asc(lotMovements.at)),
  ])
  const recalledAt = new Map(calls.map(({ lotId, at }) => [lotId, at]))
  const byProduct = new Map<string, Lot[]>()
  for (const lot of bottles.map((bottle) => lotOf(bottle, recalledAt.get(bottle.id))))
    byProduct.set(lot.productId, [...(byProduct.get(lot.productId) ?? []), lot])
  return rows
    .map((row) => ({
      product: withParts(productOf(row)),
      lots: row.retired ? [] : (byProduct.get(row.id) ?? []),
    }))
    .sort((one, other) => (one.product.id < other.product.id ? -1 : 1))
}
