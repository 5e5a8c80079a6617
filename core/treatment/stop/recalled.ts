import type { PlanStep } from '../../catalogue/techniques/step'
import type { ShelfItem } from '../../planning/input'
import { lotBars } from '../../screening/products/products'
import { productUsed } from '../order/atHand'
import type { RoomState } from '../fold/roomState'

/**
 * Said before a step of which a bottle was called back, its own or one that it takes beside it: which
 * batch, and what to take instead. Empty where nothing is wrong.
 * @param along products that the step takes beside its own, as they were planned
 * @param today ISO day of the house
 */
export function recalledNow(
  state: RoomState,
  step: PlanStep,
  shelf: readonly ShelfItem[],
  today: string,
  along: readonly string[] = [],
): string[] {
  const used = productUsed(state, step)
  return [...(used === undefined ? [] : [used]), ...along].flatMap((id) => {
    const item = shelf.find(({ product }) => product.id === id)
    return item ? calledBack(item, today) : []
  })
}

function calledBack({ product, lots }: ShelfItem, today: string): string[] {
  const called = lots.filter(({ recalled }) => recalled)
  if (called.length === 0) return []
  const codes = [...new Set(called.map(({ code }) => code))].join(', ')
  const fit = lots.find((lot) => lotBars(lot, product, today).length === 0)
  return [
    fit
      ? `${product.name}: batch ${codes} is recalled. Take batch ${fit.code}.`
      : `${product.name}: batch ${codes} is recalled. Do not use it.`,
  ]
}
