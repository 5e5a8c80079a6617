import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { lightDose } from './light'
import { mixFor } from './mixing'

describe('mixing', () => {
  it('covers what is wanted, waste included, in quarter scoops, powder one to activator two', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.5, max: 90, noNaN: true }),
        fc.double({ min: 2, max: 20, noNaN: true }),
        (ml, scoop) => {
          const mix = mixFor('hardeningPowder', ml, scoop, 'normal', true)
          expect(mix?.liquid).toBe((mix?.powder ?? 0) * 2)
          expect(((mix?.powder ?? 0) + (mix?.liquid ?? 0)) * scoop).toBeGreaterThanOrEqual(
            ml * 1.1 - 1e-6,
          )
          expect(((mix?.powder ?? 0) - 0.25) * 3 * scoop).toBeLessThan(ml * 1.1)
          expect(Number.isInteger((mix?.powder ?? 0) * 4)).toBe(true)
        },
      ),
    )
  })
  it('takes water for oily skin and milk for dry, unless milk is not borne', () => {
    const of = (type: 'oily' | 'normal' | 'dry', milk = true) =>
      mixFor('powderMask', 10, 10, type, milk)?.of
    expect([of('oily'), of('normal'), of('dry'), of('dry', false)]).toEqual([
      'water',
      'half water, half milk',
      'mostly milk',
      'water',
    ])
  })
  it('mixes nothing that comes ready, and refuses amounts that cannot be', () => {
    expect(mixFor('serum', 1, 1, 'dry', true)).toBeUndefined()
    expect(() => mixFor('powderMask', 0, 1, 'dry', true)).toThrow(RangeError)
  })
  it('reckons light as irradiance times time', () => {
    expect(lightDose(30, 10)).toBeCloseTo(18, 9)
  })
})
