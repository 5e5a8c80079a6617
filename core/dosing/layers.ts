import type { Product } from '../catalogue/products/products'
import { WATERING } from '../catalogue/products/watering'
import { areaOf, type FaceSize } from '../face/regions'
import { areaOn, nameWhere, shareWorked, type Where } from '../face/sides'
import type { RegionId } from '../face/zones'
import { amountFor, type Amount } from './amount'
import { learnedShare, type Learned } from './learned'

/** Whom it is measured for: the face, and its zones that drank what they were given. */
export interface DoseFor {
  faceSize?: FaceSize
  thirsty?: readonly RegionId[]
  /** What earlier visits taught of this client's amounts. */
  learned?: Learned
}

/** Where this product goes on twice: the thirsty zones of the step. Never a third layer. */
export const secondLayer = (
  { regions }: Where,
  product: Pick<Product, 'kind'>,
  { thirsty = [] }: DoseFor,
): RegionId[] =>
  WATERING[product.kind]?.secondLayer ? regions.filter((region) => thirsty.includes(region)) : []

/**
 * What a step takes of a product: its zones once, thirsty ones twice, as this client was given it; half
 * of a zone takes half of it.
 */
export function doseOf(step: Where, product: Product, on: DoseFor): Amount {
  const again = secondLayer(step, product, on)
  const twice = again.length === 0 ? 0 : areaOn({ ...step, regions: again }) / areaOf(step.regions)
  const layers = shareWorked(step) + twice
  return amountFor(product, step.regions, on.faceSize, layers * learnedShare(product, on))
}

/** "a second layer on the cheeks", where one goes on. */
export function layerWords(step: Where, product: Pick<Product, 'kind'>, on: DoseFor): string {
  const again = secondLayer(step, product, on)
  return again.length === 0 ? '' : `a second layer on ${nameWhere({ ...step, regions: again })}`
}
