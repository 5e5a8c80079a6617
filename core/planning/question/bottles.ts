import { leavesActive } from '../../catalogue/products/families'
import type { Product } from '../../catalogue/products/products'
import { freeAcidOf } from '../../dosing/freeAcid'
import { bottleRateOf } from '../../dosing/bottleRate'
import type { Allowance } from '../today/allowance'
import type { Move } from './planCase'

export type Bottle = Pick<Move, 'productId' | 'freeAcid' | 'bottleRate' | 'calm'> & {
  /** Leaves no active behind, where the best suited does. */
  plain?: true
}
/** What of a bottle counts in the question: its free acid, and what it pours by itself. */
export function strengthOf(product: Product): Pick<Move, 'freeAcid' | 'bottleRate'> {
  const freeAcid = freeAcidOf(product)
  const bottleRate = bottleRateOf(product)
  return { ...(freeAcid > 0 ? { freeAcid } : {}), ...(bottleRate > 0 ? { bottleRate } : {}) }
}

/**
 * The best suited product, and its calming stand-in for skin that has just been abraded, where the
 * best is not calming itself.
 */
export function bottles(allowance: Allowance): Bottle[] {
  const best = allowance.products[0]?.product
  if (!best) return [{}]
  const of = (product: typeof best, calm?: Bottle['calm']): Bottle => {
    return {
      productId: product.id,
      ...strengthOf(product),
      ...(calm ? { calm } : {}),
    }
  }
  if (best.calming) return [of(best)]
  const stand = allowance.products.find((product) => product.product.calming)?.product
  return [of(best, 'no'), ...(stand ? [of(stand, 'only')] : [])]
}

/** The best suited bottle that leaves no active on the skin, where the best of all does. */
export function withoutActive({ products }: Allowance): Bottle[] {
  const best = products[0]?.product
  if (!best || !leavesActive(best)) return []
  const other = products.find(({ product }) => !leavesActive(product))?.product
  return other
    ? [
        {
          productId: other.id,
          ...strengthOf(other),
          plain: true,
          ...(other.calming ? {} : { calm: 'no' }),
        },
      ]
    : []
}
