import { expect, it } from 'vitest'
import { returns } from './bounds'

it('returns less for each further bit of the same, but never nothing', () => {
  for (let event = 0; event < 200; event++) {
    expect(returns(event + 1)).toBeGreaterThan(returns(event))
    expect(returns(event + 2) - returns(event + 1)).toBeLessThanOrEqual(
      returns(event + 1) - returns(event),
    )
  }
})
