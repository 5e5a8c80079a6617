import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { earnedBy, earnedIn, UNBILLED, type BilledVisit } from './earned'

const visit = fc.record<BilledVisit>({
  price: fc.option(fc.constantFrom('Hour', 'Long'), { nil: null }),
  protocol: fc.option(fc.constantFrom('Spring', 'Quiet'), { nil: null }),
  takenCents: fc.option(fc.integer({ min: 0, max: 20_000 }), { nil: null }),
  costCents: fc.integer({ min: 0, max: 20_000 }),
})

describe('what a month earned', () => {
  it('is the same added up by price as all together, and no visit is counted twice', () => {
    fc.assert(
      fc.property(fc.array(visit, { maxLength: 30 }), (visits) => {
        const all = earnedIn('all', visits)
        const by = earnedBy(visits)
        for (const key of ['visits', 'taken', 'cost', 'earned'] as const)
          expect(by.reduce((sum, own) => sum + own[key], 0)).toBe(all[key])
        expect(new Set(by.map(({ name }) => name)).size).toBe(by.length)
      }),
    )
  })
  it('a visit that was not billed costs all the same', () => {
    const own = { price: null, protocol: null, takenCents: null, costCents: 4000 }
    expect(earnedBy([own])).toEqual([
      { name: UNBILLED, visits: 1, taken: 0, cost: 4000, earned: -4000 },
    ])
  })
})
