import { leavesActive } from '../../catalogue/products/families'
import { freeAcidOf } from '../../dosing/freeAcid'
import type { Allowance } from '../today/allowed'
import type { Move } from './planCase'

export type Bottle = Pick<Move, 'productId' | 'freeAcid' | 'calm'> & {
  /** Leaves no active behind, where the best suited does. */
  plain?: true
}
/**
 * The best suited product, and its calming stand-in for skin that has just been abraded, where the
 * best is not calming itself.
 */
export function bottles(allowance: Allowance): Bottle[] {
  const best = allowance.products[0]?.product
  if (!best) return [{}]
  const of = (product: typeof best, calm?: Bottle['calm']): Bottle => {
    const acid = freeAcidOf(product)
    return {
      productId: product.id,
      ...(acid > 0 ? { freeAcid: acid } : {}),
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
    ? [{ productId: other.id, plain: true, ...(other.calming ? {} : { calm: 'no' }) }]
    : []
}
