import { z } from 'zod'
import { KIND_NAMES, PRODUCT_KINDS } from '#core/catalogue/kinds'
import type { Product } from '#core/catalogue/products/products'
import { PART_MEASURES } from '#core/catalogue/products/recipes'
import { SUIT_IDS } from '#core/catalogue/products/suits'
import { WAY_OFF_IDS, WAYS_OFF, waysOffFor } from '#core/catalogue/techniques/removalWays'
import { restWindow } from '#core/timing/dwell'
import { day, id, line, said, version } from './common'

const key = said(80)
const amount = (most: number) =>
  z.number('a number').positive('more than nothing').max(most, `at most ${most}`)
const restMinutes = z
  .number('minutes')
  .multipleOf(0.5, 'half minutes')
  .min(0.5, 'at least ½')
  .max(60, 'at most 60')
const fields = {
  name: said(120),
  line: line(60),
  kind: z.enum(PRODUCT_KINDS),
  /** The label as it is printed. */
  label: line(6000),
  acid: z
    .strictObject({
      name: z.enum(['glycolic', 'lactic', 'mandelic', 'salicylic']),
      percent: amount(70),
    })
    .nullable(),
  pH: z.number('a number').min(0, '0 to 14').max(14, '0 to 14').nullable(),
  density: z.number('a number').min(0.5, '0.5 to 3').max(3, '0.5 to 3'),
  dispenser: z.strictObject({
    kind: z.enum(['pump', 'spray', 'drop', 'scoop', 'spatula', 'riceGrain', 'pour', 'piece']),
    millilitres: amount(100),
  }),
  suits: z.array(z.enum(SUIT_IDS)).min(1, 'at least one'),
  calming: z.boolean(),
  packMillilitres: z.int('whole millilitres').min(1, 'at least 1').max(10_000, 'at most 10,000'),
  priceCents: z.int().min(0, 'not below nothing').max(10_000_000),
  openMonths: z.int('whole months').min(1, '1 to 60').max(60, '1 to 60'),
  /** Minutes that it rests by its label; none: those of its kind. */
  rests: z
    .strictObject({ from: restMinutes, to: restMinutes })
    .refine(({ from, to }) => from <= to, { message: 'from before to', path: ['to'] })
    .nullable()
    .default(null),
  /** What its label says of what is left when its time is over; none: it is rinsed off. */
  wayOff: z.enum(WAY_OFF_IDS).nullable().default(null),
  /** What it is mixed with in this house; left out, it stays as it is. */
  recipe: z
    .strictObject({
      parts: amount(1000),
      by: z.enum(['volume', 'weight']),
      others: z
        .array(
          z.strictObject({
            name: said(60),
            parts: amount(1000),
            density: z.number('a number').min(0.2, '0.2 to 3').max(3, '0.2 to 3'),
            measure: z.enum(PART_MEASURES),
            label: line(2000),
          }),
        )
        .min(1, 'at least one part')
        .max(12, 'at most 12 parts'),
      workingMinutes: z.int('whole minutes').min(1, '1 to 120').max(120, '1 to 120'),
    })
    .nullable()
    .optional(),
  /** The change of shade its maker states, where it has one. */
  colourChange: said(60).nullable().default(null),
  /** Fewer millilitres than these on the shelf are spoken of. */
  reorderMillilitres: z.int('whole millilitres').min(1).max(100_000).nullable().default(null),
}
const halfAmpoule = {
  message: 'ampoules come by the piece: half now, half by next morning',
  path: ['dispenser'],
}
const wholeAmpoules = ({ kind, dispenser }: { kind: string; dispenser: { kind: string } }) =>
  kind !== 'ampoule' || dispenser.kind === 'piece'
type Labelled = Pick<Product, 'kind'> &
  Pick<z.infer<z.ZodObject<typeof fields>>, 'rests' | 'wayOff'>
/** What a label says of its minutes and of its way off stands within what its kind bears. */
function labelHolds({ kind, rests, wayOff }: Labelled, context: z.RefinementCtx): void {
  const window = restWindow(kind)
  const say = (field: string, message: string) => {
    context.addIssue({ code: 'custom', path: [field], message })
  }
  if (rests && !window) say('rests', `${KIND_NAMES[kind]} does not rest on the skin`)
  else if (rests && window && (rests.from < window.from || rests.to > window.to))
    say('rests', `${window.from} to ${window.to} minutes for ${KIND_NAMES[kind]}`)
  if (wayOff && !waysOffFor(kind).includes(wayOff))
    say('wayOff', `${KIND_NAMES[kind]} is not ${WAYS_OFF[wayOff].name}`)
}
export const productPost = z
  .strictObject({ id, ...fields })
  .refine(wholeAmpoules, halfAmpoule)
  .superRefine(labelHolds)
/** A change of what was seen in this version. */
export const productPut = z
  .strictObject({ id: key, version, retired: z.boolean(), ...fields })
  .refine(wholeAmpoules, halfAmpoule)
  .superRefine(labelHolds)
/** Products from a file: all of them, or none. */
export const PRODUCT_ROWS = 1000
export const productsPost = z.strictObject({
  add: z.array(productPost).max(PRODUCT_ROWS),
  change: z.array(productPut).max(PRODUCT_ROWS),
})
export type ProductPost = z.infer<typeof productPost>
export type ProductPut = z.infer<typeof productPut>
export type ProductFields = Omit<z.infer<typeof productPost>, 'id'>

export const lotPost = z.strictObject({
  id,
  productId: key,
  code: said(60),
  expires: day,
  millilitres: amount(10_000),
})
/** The code and date as printed on the bottle. */
export const lotPut = z.strictObject({ lotId: key, code: said(60), expires: day })
export const lotQuery = z.object({ lot: line(80).default('') })
/** What happens to a bottle by hand. `millilitres` is what is left, where it was counted. */
export const movementPost = z.discriminatedUnion('kind', [
  z.strictObject({
    id,
    lotId: key,
    kind: z.literal('counted'),
    millilitres: z.number('a number').min(0, 'not below nothing').max(10_000),
    reason: line(200),
  }),
  z.strictObject({ id, lotId: key, kind: z.literal('opened'), reason: line(200) }),
  z.strictObject({ id, lotId: key, kind: z.literal('writtenOff'), reason: said(200) }),
])
/** The whole shelf counted: what is left in each bottle, by hand. */
export const stocktakePost = z.strictObject({
  reason: line(200),
  counts: z
    .array(
      z.strictObject({
        id,
        lotId: key,
        millilitres: z.number('a number').min(0, 'not below nothing').max(10_000),
      }),
    )
    .min(1, 'at least one bottle')
    .max(2000, 'at most 2,000 bottles'),
})

const SHELF_PAGE = 40
const yes = z.literal('yes').optional()
/** A page of the shelf: what is sought, and how it is sorted. */
export const shelfQuery = z.object({
  q: line(60).default(''),
  page: z.coerce.number().int('a whole number').min(1, 'from 1').max(100_000).default(1),
  size: z.coerce.number().int('a whole number').min(1).max(500).default(SHELF_PAGE),
  sort: z.enum(['name', 'kind', 'left', 'ends']).default('kind'),
  /** Products that are show discontinued too. */
  retired: yes,
  /** Empty bottles, too. */
  empty: yes,
  /** Only what runs low. */
  low: yes,
})
export type ShelfQuery = z.infer<typeof shelfQuery>

/** All bottles of a code, whatever the product. */
export const recallPost = z.strictObject({ id, code: said(60), reason: said(200) })
