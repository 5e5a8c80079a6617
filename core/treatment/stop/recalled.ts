import type { PlanStep } from '../../catalogue/techniques/step'
import type { ShelfItem } from '../../planning/input'
import { lotBars } from '../../screening/products/products'
import { productUsed } from '../order/atHand'
import type { RoomState } from '../fold/roomState'

/**
 * Said before a step whose bottle was called back and of which no other is fit; empty where nothing
 * is wrong, and where another bottle of it stands there.
 * @param today ISO day of the house
 */
export function recalledNow(
  state: RoomState,
  step: PlanStep,
  shelf: readonly ShelfItem[],
  today: string,
): string {
  const used = productUsed(state, step)
  const item = shelf.find(({ product }) => product.id === used)
  if (!item) return ''
  const called = item.lots.filter(({ recalled }) => recalled)
  if (called.length === 0) return ''
  const codes = called.map(({ code }) => code).join(', ')
  const fit = item.lots.find((lot) => lotBars(lot, item.product, today).length === 0)
  return fit
    ? `${item.product.name}: batch ${codes} is recalled. Take batch ${fit.code}.`
    : `${item.product.name}: batch ${codes} is recalled. Do not use it.`
}
