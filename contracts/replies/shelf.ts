import { z } from 'zod'
import { PRODUCT_KINDS } from '#core/catalogue/kinds'
import { PART_MEASURES } from '#core/catalogue/products/recipes'
import { SUIT_IDS } from '#core/catalogue/products/suits'
import { WAY_OFF_IDS } from '#core/catalogue/techniques/removalWays'
import type { Lot, Product } from '#core/catalogue/products/products'
import type { ShelfItem } from '#core/planning/input'
import { at, count, id, isoDay, maybe, named, paged, text } from './common'

const productFields = {
  id: text,
  name: text,
  line: text,
  kind: z.enum(PRODUCT_KINDS),
  inci: z.array(text),
  acid: z
    .strictObject({
      name: z.enum(['glycolic', 'lactic', 'mandelic', 'salicylic']),
      percent: z.number(),
    })
    .optional(),
  pH: z.number().optional(),
  density: z.number(),
  dispenser: z.strictObject({
    kind: z.enum(['pump', 'spray', 'drop', 'scoop', 'spatula', 'riceGrain', 'pour', 'piece']),
    millilitres: z.number(),
  }),
  suits: z.array(z.enum(SUIT_IDS)),
  calming: z.boolean(),
  packMillilitres: z.number(),
  priceCents: z.int(),
  openMonths: z.int(),
  rests: z.strictObject({ from: z.number(), to: z.number() }).optional(),
  wayOff: z.enum(WAY_OFF_IDS).optional(),
  recipe: z
    .strictObject({
      parts: z.number(),
      by: z.enum(['volume', 'weight']),
      others: z
        .array(
          z.strictObject({
            name: text,
            parts: z.number(),
            density: z.number(),
            measure: z.enum(PART_MEASURES),
            label: text,
          }),
        )
        .readonly(),
      workingMinutes: z.int(),
    })
    .optional(),
  colourChange: text.optional(),
}
const product: z.ZodType<Product> = z.strictObject(productFields)
const lotFields = {
  id: text,
  productId: text,
  code: text,
  expires: isoDay,
  openedOn: isoDay.optional(),
  recalled: z.boolean(),
  recalledAt: at.optional(),
  remainingMillilitres: z.number(),
  half: z.strictObject({ id: text, until: at }).optional(),
}
const lot: z.ZodType<Lot> = z.strictObject(lotFields)
export const shelfItem: z.ZodType<ShelfItem> = z.strictObject({ product, lots: z.array(lot) })

const shelfLot = z.strictObject({ ...lotFields, trouble: maybe })
export type ShelfLot = z.infer<typeof shelfLot>
const shelfRow = z.strictObject({
  product,
  version: z.int(),
  retired: z.boolean(),
  reorderMillilitres: count.nullable(),
  /** In all bottles that can be used. */
  leftMillilitres: z.number(),
  /** Less than what it is ordered anew at. */
  low: z.boolean(),
  suspected: count,
  lots: z.array(shelfLot),
})
export type ShelfRow = z.infer<typeof shelfRow>
export const shelfPage = z.strictObject({
  today: isoDay,
  currency: text,
  ...paged,
  /** No product is kept at all. */
  nothing: z.boolean(),
  items: z.array(shelfRow),
})
export type ShelfPage = z.infer<typeof shelfPage>

const movementLine = z.strictObject({
  id,
  kind: text,
  millilitres: z.number(),
  reason: text,
  at,
  by: maybe,
})
export type MovementLine = z.infer<typeof movementLine>
const had = z.array(named.extend({ day: isoDay }))
/** What became of a bottle, and who had of it. */
export const bottleHistory = z.strictObject({ movements: z.array(movementLine), clients: had })
export type LotHistory = z.infer<typeof bottleHistory>
/** Bottles of a code that were called back, and who had of them. */
export const recallReply = z.strictObject({ bottles: count, clients: had })
export const productsTaken = z.strictObject({ added: count, changed: count })
export const stockTaken = z.strictObject({ bottles: count, changed: count })
export const starterShelf = z.strictObject({ products: count })

/** How long what stands there lasts, and what to order. */
const stockLine = z.strictObject({
  productId: text,
  name: text,
  kind: z.enum(PRODUCT_KINDS),
  leftMillilitres: z.number(),
  packMillilitres: z.number(),
  /** Whole uses that are left, by what one takes on the mean; none where it was never used. */
  usesLeft: count.nullable(),
  /** The day on which it is empty, by the bookings ahead and the use of the last weeks. */
  runsOut: isoDay.nullable(),
  /** What will be past its date before it is used up. */
  unused: z.array(z.strictObject({ code: text, day: isoDay, millilitres: z.number() })),
  /** Packs to order, and what they cost. */
  packs: count,
  cents: count,
  low: z.boolean(),
})
export const orderPage = z.strictObject({
  today: isoDay,
  currency: text,
  /** Visits that are booked in the weeks looked ahead. */
  booked: count,
  lines: z.array(stockLine),
})
export type OrderPage = z.infer<typeof orderPage>
