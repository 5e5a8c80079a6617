import type { PlanStep } from '../catalogue/step'
import { amountFor } from '../dosing/amount'
import type { PlanInput } from './input'

/** What the products of these steps cost, in cents of the house's currency. */
export function planCostCents(input: Pick<PlanInput, 'shelf' | 'faceSize'>, steps: readonly Pick<PlanStep, 'productId' | 'regions'>[]): number {
  return steps.reduce((cents, s) => {
    const item = input.shelf.find((x) => x.product.id === s.productId)
    return cents + (item ? amountFor(item.product, s.regions, input.faceSize).costCents : 0)
  }, 0)
}
