import { ADAPTATIONS, type Adaptation } from '../../catalogue/skin/adaptations'
import { INGREDIENTS, ingredientsIn } from '../../catalogue/products/ingredients'
import type { ProductKind } from '../../catalogue/kinds'
import type { Lot, Product } from '../../catalogue/products/products'
import { SUITS, type SuitId } from '../../catalogue/products/suits'
import { TECHNIQUES } from '../../catalogue/techniques/techniques'
import { freeAcidOf } from '../../dosing/freeAcid'
import { tooMuchOil } from '../../dosing/mixing'
import { bottleRateOf } from '../../dosing/bottleRate'
import { lotBars, productBars, type ProductBar } from '../../screening/products/products'
import { kitchenBars } from '../../screening/products/kitchen'
import { REACTED_RULE } from '../../screening/products/reactions'
import { strengthBars } from '../../screening/products/strength'
import type { Bar } from '../../screening/verdict/verdict'
import type { Profile } from '../../skin/profile'
import { beforeEvent } from '../../screening/verdict/eventAhead'
import type { PlanInput } from '../input'
import { NOTHING_NEW } from './limits'
import { regionsMeeting } from './adapt'
import { stopping } from './bars'

export interface Choice {
  product: Product
  lot: Lot
}

/** The rule that is broken where nothing but a bottle is missing. */
export const NO_BOTTLE = 'no-product'

/** Why a product may not be used, bottle by bottle or as such; empty when a bottle is fit. */
export function productTrouble(
  product: Product,
  lots: readonly Lot[],
  input: PlanInput,
  rows: readonly Adaptation[] = ADAPTATIONS,
  bars: readonly Bar[] = stopping(input.verdict),
): ProductBar[] {
  const patch = input.patch[product.id]
  const suspected = input.suspected[product.id]
  const own = [
    ...productBars(product, { ...input.verdict, bars }, input.answers),
    ...avoidedBars(product, input, rows),
    ...strengthBars(product, input.daylight),
    ...kitchenBars(product, input.profile, input.daylight),
    ...tooMuchOil(product).map((text) => ({ rule: 'essential-oil', text })),
    ...(suspected === undefined ? [] : [{ rule: REACTED_RULE, text: suspected }]),
    ...newBeforeEvent(product, input),
    ...(patch === undefined ? [] : [{ rule: 'patch-test', text: patch }]),
  ]
  if (own.length > 0) return own
  if (lots.length === 0) return [{ rule: NO_BOTTLE, text: 'none on the shelf' }]
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

/** The rows that keep an ingredient away: few of many, and asked after for each bottle. */
const AVOIDING = ADAPTATIONS.filter(({ avoid }) => avoid !== undefined)
const avoiding = (rows: readonly Adaptation[]): readonly Adaptation[] =>
  rows === ADAPTATIONS ? AVOIDING : rows

/** Ingredients that this skin does without, where the product's own work meets such skin. */
function avoidedBars(
  product: Product,
  input: PlanInput,
  rows: readonly Adaptation[],
): ProductBar[] {
  const held = ingredientsIn(product.inci)
  return avoiding(rows).flatMap((row) => {
    if (row.avoid === undefined || !held.includes(row.avoid)) return []
    const technique = row.techniques
      .map((id) => TECHNIQUES[id])
      .find((own) => own.product === product.kind)
    if (!technique || regionsMeeting(row, input, technique).length === 0) return []
    return [{ rule: row.id, text: `holds ${INGREDIENTS[row.avoid].name}: ${row.sentence}` }]
  })
}

/**
 * The bottle that is taken: fit for use, with enough in it before one that would run dry, the other
 * half of an opened piece first, an open one before a new one, then the one that expires first. The plan, the tray and the record all take
 * this one.
 * @param needed millilitres
 */
export const bottleInHand = (
  product: Product,
  lots: readonly Lot[],
  today: string,
  needed = 0,
): Lot | undefined =>
  lots
    .filter((lot) => lotBars(lot, product, today).length === 0)
    .sort(
      (one, other) =>
        Number(one.remainingMillilitres < needed) - Number(other.remainingMillilitres < needed) ||
        Number(one.half === undefined) - Number(other.half === undefined) ||
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
  bars: readonly Bar[] = stopping(input.verdict),
): Choice[] {
  const fit = ofKind(input.shelf, kind).flatMap(({ product, lots }) => {
    if (productTrouble(product, lots, input, rows, bars).length > 0) return []
    const lot = bottleInHand(product, lots, input.today)
    if (!lot) return []
    const score = suitScore(product, input.profile)
    return [{ choice: { product, lot }, score, acid: freeAcidOf(product) + bottleRateOf(product) }]
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

type Shelf = PlanInput['shelf']
const byKind = new WeakMap<Shelf, Map<ProductKind, Shelf>>()
/** The bottles of one kind: a shelf is looked through once for each. */
function ofKind(shelf: Shelf, kind: ProductKind): Shelf {
  const kinds = byKind.get(shelf) ?? new Map<ProductKind, Shelf>()
  byKind.set(shelf, kinds)
  const found = kinds.get(kind) ?? shelf.filter(({ product }) => product.kind === kind)
  kinds.set(kind, found)
  return found
}

/** Words on a product that fit this skin. */
const fitting = ({ suits }: Product, { type, conditions }: Profile): SuitId[] =>
  suits.filter(
    (id) =>
      SUITS[id].types.includes(type) ||
      SUITS[id].conditions.some((own) => conditions.includes(own)),
  )

/** How well a product's words fit this skin; more is better. */
const suitScore = (product: Product, profile: Profile): number =>
  fitting(product, profile).reduce((sum, id) => sum + SUITS[id].weight, 0)

interface RankedBottle {
  product: Product
  fits: boolean
  /** Why it fits, or why not. */
  word: string
}

/** Every bottle of a kind: those that may be taken, best first, then the others, each with its word. */
export function rankedBottles(kind: ProductKind, input: PlanInput): RankedBottle[] {
  const fit = usableProducts(kind, input, ADAPTATIONS).map(({ product }) => product)
  const others = input.shelf.filter(
    ({ product }) => product.kind === kind && !fit.some((own) => own.id === product.id),
  )
  return [
    ...fit.map((product, place) => ({
      product,
      fits: true,
      word: fitWord(product, place, fit.length, input.profile),
    })),
    ...others.map(({ product, lots }) => ({
      product,
      fits: false,
      word: productTrouble(product, lots, input)[0]?.text ?? 'none in date on the shelf',
    })),
  ]
}

function fitWord(product: Product, place: number, count: number, profile: Profile): string {
  const own = fitting(product, profile).filter((id) => id !== 'all')
  const acid = freeAcidOf(product)
  if (acid > 0 && place === 0 && count > 1) return `the weakest acid that serves, ${acid} %`
  if (acid > 0) return `acid, ${acid} %`
  if (own.length > 0) return `made for ${own.join(' and ')} skin`
  return product.suits.includes('all') ? 'for every skin' : 'not made for this skin in particular'
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
