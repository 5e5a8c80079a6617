import { expect, it } from 'vitest'
import { compile } from '#core/planning/question/compile'
import { solve } from '#core/planning/search/solve'
import { question } from './cases'

/** Passes so narrow that the load always gets its price, and then every label. */
const AT_A_PRICE = [1, 1, Number.POSITIVE_INFINITY]
/** Every label at once: no price is ever asked. */
const WITHOUT = [Number.POSITIVE_INFINITY]
const CASES = Number(process.env.OAK_PRICED_CASES ?? 60)

it('a price on the load never turns away a plan, also where a region is over its tolerance from the start', () => {
  let over = 0
  let planned = 0
  for (let seed = 1; seed <= CASES; seed++) {
    const { input, slotTicks } = question(9_000 + seed)
    const planCase = compile(input)
    const without = solve(planCase, Math.min(slotTicks, 90), undefined, WITHOUT)
    const priced = solve(planCase, Math.min(slotTicks, 90), undefined, AT_A_PRICE)
    expect({ seed, value: priced?.value, cost: priced?.costCents }).toEqual({
      seed,
      value: without?.value,
      cost: without?.costCents,
    })
    const regions = Object.keys(input.residual) as (keyof typeof input.residual)[]
    if (regions.some((region) => input.residual[region] > planCase.tolerance[region])) {
      over++
      if (priced) planned++
    }
  }
  // The cases that it is about are among them, and have a plan.
  expect(over).toBeGreaterThan(CASES / 10)
  expect(planned).toBeGreaterThan(over / 2)
})
