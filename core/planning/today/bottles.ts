import { ADAPTATIONS, type Adaptation } from '../../catalogue/skin/adaptations'
import { INGREDIENTS, ingredientsIn } from '../../catalogue/products/ingredients'
import type { ProductKind } from '../../catalogue/kinds'
import type { Lot, Product } from '../../catalogue/products/products'
import { SUITS } from '../../catalogue/products/suits'
import { TECHNIQUES } from '../../catalogue/techniques/techniques'
import { freeAcidOf } from '../../dosing/freeAcid'
import { lotBars, productBars, type ProductBar } from '../../screening/products'
import { REACTED_RULE } from '../../screening/reactions'
import { strengthBars } from '../../screening/strength'
import type { Profile } from '../../skin/profile'
import { beforeEvent } from '../../screening/eventAhead'
import type { PlanInput } from '../input'
import { NOTHING_NEW } from './limits'
import { regionsMeeting } from './adapt'

export interface Choice {
  product: Product
  lot: Lot
}

/** Why a product may not be used, bottle by bottle or as such; empty when a bottle is fit. */
export function productTrouble(
  product: Product,
  lots: readonly Lot[],
  input: PlanInput,
  rows: readonly Adaptation[] = ADAPTATIONS,
): ProductBar[] {
  const patch = input.patch[product.id]
  const suspected = input.suspected[product.id]
  const own = [
    ...productBars(product, input.verdict, input.answers),
    ...avoidedBars(product, input, rows),
    ...strengthBars(product, input.daylight),
    ...(suspected === undefined ? [] : [{ rule: REACTED_RULE, text: suspected }]),
    ...newBeforeEvent(product, input),
    ...(patch === undefined ? [] : [{ rule: 'patch-test', text: patch }]),
  ]
  if (own.length > 0) return own
  if (lots.length === 0) return [{ rule: 'no-product', text: 'none on the shelf' }]
  const perLot = lots.map((lot) => lotBars(lot, product, input.today))
  return perLot.some((bars) => bars.length === 0) ? [] : (perLot[0] ?? [])
}

/** A product with something that may sting, not had here before, waits until after an event. */
const newBeforeEvent = ({ id, inci }: Product, input: PlanInput): ProductBar[] =>
  !input.usedBefore.includes(id) &&
  beforeEvent(input.answers, input.today) &&
  ingredientsIn(inci).some((ingredient) => INGREDIENTS[ingredient].patch !== undefined)
    ? [{ rule: 'event-new', text: NOTHING_NEW }]
    : []

/** Ingredients that this skin does without, where the product's own work meets such skin. */
function avoidedBars(
  product: Product,
  input: PlanInput,
  rows: readonly Adaptation[],
): ProductBar[] {
  return rows.flatMap((row) => {
    if (row.avoid === undefined || !ingredientsIn(product.inci).includes(row.avoid)) return []
    const technique = row.techniques
      .map((id) => TECHNIQUES[id])
      .find((own) => own.product === product.kind)
    if (!technique || regionsMeeting(row, input, technique).length === 0) return []
    return [{ rule: row.id, text: `holds ${INGREDIENTS[row.avoid].name}: ${row.sentence}` }]
  })
}

/**
 * The bottle that is taken: fit for use, an open one before a new one, then the one that expires
 * first. The plan, the tray and the record all take this one.
 */
export const bottleInHand = (
  product: Product,
  lots: readonly Lot[],
  today: string,
): Lot | undefined =>
  lots
    .filter((lot) => lotBars(lot, product, today).length === 0)
    .sort(
      (one, other) =>
        Number(one.openedOn === undefined) - Number(other.openedOn === undefined) ||
        (one.expires < other.expires ? -1 : 1),
    )[0]

/**
 * Fit products of a kind, the weakest acid first, then the best suited, ties by id.
 */
export function usableProducts(
  kind: ProductKind,
  input: PlanInput,
  rows: readonly Adaptation[],
): Choice[] {
  const fit = input.shelf.flatMap(({ product, lots }) => {
    if (product.kind !== kind || productTrouble(product, lots, input, rows).length > 0) return []
    const lot = bottleInHand(product, lots, input.today)
    if (!lot) return []
    const score = suitScore(product, input.profile)
    return [{ choice: { product, lot }, score, acid: freeAcidOf(product) }]
  })
  return fit
    .sort(
      (one, other) =>
        one.acid - other.acid ||
        other.score - one.score ||
        (one.choice.product.id < other.choice.product.id ? -1 : 1),
    )
    .map((one) => one.choice)
}

/** How well a product's words fit this skin; more is better. */
export function suitScore(product: Product, { type, conditions }: Profile): number {
  const fits = product.suits
    .map((id) => SUITS[id])
    .filter(
      (suit) => suit.types.includes(type) || suit.conditions.some((id) => conditions.includes(id)),
    )
  return fits.reduce((sum, suit) => sum + suit.weight, 0)
}

/**
 * What else may stand in for a bottle: of the same kind, in date, and nothing in it that this client
 * must not have.
 */
export const standIns = (
  kind: ProductKind | undefined,
  usedId: string | undefined,
  input: PlanInput,
): Product[] =>
  input.shelf
    .filter(
      ({ product, lots }) =>
        product.kind === kind &&
        product.id !== usedId &&
        productTrouble(product, lots, input).length === 0,
    )
    .map(({ product }) => product)
