import { expect, it } from 'vitest'
import { returns } from './returns'

it('returns less for each further bit of the same, but never nothing', () => {
  for (let e = 0; e < 200; e++) {
    expect(returns(e + 1)).toBeGreaterThan(returns(e))
    expect(returns(e + 2) - returns(e + 1)).toBeLessThanOrEqual(returns(e + 1) - returns(e))
  }
})
