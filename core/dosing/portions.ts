import type { Product } from '../catalogue/products/products'
import { SMALL } from '../catalogue/rules/dosing'
import { listRegions } from '../face/regions'
import { areaOn, type Where } from '../face/sides'
import { ROUNDING } from '../units'
import type { RegionId } from '../face/zones'
import { isMixed } from './mixing'
import { partOf, type Amount } from './amount'
import { layerWords, secondLayer, type DoseFor } from './layers'
import { learnedWords } from './learned'
import { saidPart } from './saidPart'

/** How many measures of a dose go to some zones. */
export interface Portion {
  regions: readonly RegionId[]
  count: number
}

/**
 * How the measures of a dose are shared among the zones: by area, and twice where a second layer goes
 * on. Left and right are one portion, halved by the hand. They add up to the dose; a zone too small for
 * a measure of its own shares that of its neighbours.
 */
export function portionsOf(
  where: Where,
  product: Pick<Product, 'kind' | 'dispenser'>,
  { count }: Pick<Amount, 'count'>,
  on: DoseFor,
): Portion[] {
  const { regions } = where
  const again = secondLayer(where, product, on)
  const layers = (region: RegionId) => (again.includes(region) ? 1 + 1 : 1)
  const groups = together(regions).map((own) => ({
    regions: own,
    weight: own.reduce(
      (sum, id) => sum + areaOn({ ...where, regions: [id] }, on.faceSize) * layers(id),
      0,
    ),
  }))
  const whole = groups.reduce((sum, { weight }) => sum + weight, 0)
  const own = partOf(product)
  // A dose of a part of a measure is shared out in such parts.
  const part = Math.abs(count / own - Math.round(count / own)) < ROUNDING ? own : SMALL.part
  const units = Math.round(count / part)
  if (whole <= 0 || count <= 0) return []
  // Less than a measure is not shared out.
  if (units < 2 || count < own) return [{ regions, count }]
  const shares = groups.map(({ regions: own, weight }) => {
    const exact = (units * weight) / whole
    return { regions: own, given: Math.floor(exact), rest: exact - Math.floor(exact) }
  })
  const left = units - shares.reduce((sum, { given }) => sum + given, 0)
  const most = [...shares].sort((one, other) => other.rest - one.rest).slice(0, left)
  return shares.flatMap((share) => {
    const given = share.given + Number(most.includes(share))
    return given > 0 ? [{ regions: share.regions, count: given * part }] : []
  })
}

const PAIRS: readonly (readonly RegionId[])[] = [
  ['cheekL', 'cheekR'],
  ['jawL', 'jawR'],
]
/** Left and right together, everything else alone. */
function together(regions: readonly RegionId[]): (readonly RegionId[])[] {
  const pairs = PAIRS.filter((pair) => pair.every((region) => regions.includes(region)))
  return [
    ...pairs,
    ...regions.filter((region) => !pairs.some((pair) => pair.includes(region))).map((id) => [id]),
  ]
}

/** "cheeks 2 · nose ½", in the measure of the dose, where there are portions to give. */
export const portionWords = (portions: readonly Portion[]): string =>
  portions.length < 2
    ? ''
    : portions.map(({ regions, count }) => `${listRegions(regions)} ${saidPart(count)}`).join(' · ')

/**
 * What is said beside an amount in the room: a second layer, how it differs from the usual, its portions.
 * @param millilitres as planned or as taken
 */
export function besideAmount(
  step: Where,
  product: Product,
  millilitres: number,
  on: DoseFor,
): string[] {
  const count = millilitres / product.dispenser.millilitres
  // What is stirred into a paste is not shared out by its powder.
  const portions = isMixed(product) ? [] : portionsOf(step, product, { count }, on)
  return [layerWords(step, product, on), learnedWords(product, on), portionWords(portions)].filter(
    Boolean,
  )
}
