import type { PlanStep } from '../../catalogue/techniques/step'
import { doseOf } from '../../dosing/layers'
import type { RegionId } from '../../face/zones'
import type { PlanInput, ShelfItem } from '../input'

type Costed = Pick<PlanStep, 'productId' | 'regions'>

/**
 * What products cost, in cents of the house's currency. The same few bottles on the same few region
 * sets come up hundreds of times in one question: each is measured out once.
 */
export class Costs {
  private readonly items: ReadonlyMap<string, ShelfItem>
  private readonly known = new Map<readonly RegionId[], Map<string, number>>()
  constructor(private readonly input: Pick<PlanInput, 'shelf' | 'faceSize' | 'thirsty'>) {
    this.items = new Map(input.shelf.map((item) => [item.product.id, item]))
  }

  of(steps: readonly Costed[]): number {
    let cents = 0
    for (const step of steps)
      if (step.productId !== undefined) cents += this.one(step.productId, step.regions)
    return cents
  }
  private one(productId: string, regions: readonly RegionId[]): number {
    let own = this.known.get(regions)
    if (!own) {
      own = new Map()
      this.known.set(regions, own)
    }
    let cents = own.get(productId)
    if (cents === undefined) {
      const item = this.items.get(productId)
      cents = item ? doseOf({ regions }, item.product, this.input).costCents : 0
      own.set(productId, cents)
    }
    return cents
  }
}

/** What the products of these steps cost, in cents of the house's currency. */
export const planCostCents = (
  input: Pick<PlanInput, 'shelf' | 'faceSize' | 'thirsty'>,
  steps: readonly Costed[],
): number => new Costs(input).of(steps)
