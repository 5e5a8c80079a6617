import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { PRODUCT_KINDS } from '../../catalogue/kinds'
import { amountFor } from '../../dosing/amount'
import { REGION_IDS } from '../../face/zones'
import { planInput } from '../../testing/fixtures'
import { Costs, planCostCents } from './cost'

const input = planInput()
const step = fc.record({
  productId: fc.option(fc.constantFrom(...PRODUCT_KINDS), { nil: undefined }),
  regions: fc.subarray([...REGION_IDS], { minLength: 1 }),
})

describe('what a plan costs', () => {
  it('is what each of its amounts costs, added up', () => {
    fc.assert(
      fc.property(fc.array(step, { minLength: 1, maxLength: 8 }), (steps) => {
        const each = steps.map(({ productId, regions }) => {
          const item = input.shelf.find(({ product }) => product.id === productId)
          return item ? amountFor(item.product, regions, input.faceSize).costCents : 0
        })
        expect(planCostCents(input, steps)).toBe(each.reduce((sum, cents) => sum + cents, 0))
      }),
    )
  })
  it('is the same however often and in whatever order it is asked', () => {
    fc.assert(
      fc.property(fc.array(step, { minLength: 2, maxLength: 6 }), (steps) => {
        const costs = new Costs(input)
        const once = costs.of(steps)
        expect(costs.of([...steps].reverse())).toBe(once)
        expect(costs.of(steps)).toBe(once)
      }),
    )
  })
  it('is more for more of the face, and nothing for a bottle that is not there', () => {
    const cents = (productId: string, regions: typeof REGION_IDS) =>
      planCostCents(input, [{ productId, regions }])
    expect(cents('serum', REGION_IDS)).toBeGreaterThan(0)
    expect(cents('milk', REGION_IDS)).toBeGreaterThan(cents('milk', ['nose'] as never))
    expect(cents('nobodys', REGION_IDS)).toBe(0)
  })
})
