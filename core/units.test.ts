import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { fromTicks, minutes, toTicks } from './units'

describe('ticks', () => {
  it('rounds a started half-minute up', () => {
    expect(toTicks(minutes(1))).toBe(2)
    expect(toTicks(minutes(1.2))).toBe(3)
    expect(toTicks(minutes(0))).toBe(0)
  })
  it('never promises less time than a step takes, and less than a tick more', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 180, noNaN: true }), (amount) => {
        const back = fromTicks(toTicks(minutes(amount)))
        expect(back).toBeGreaterThanOrEqual(amount - 1e-6)
        expect(back - amount).toBeLessThan(0.5 + 1e-6)
      }),
    )
  })
})
