import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { product } from '../testing/fixtures'
import { areaOf } from '../face/regions'
import { REGION_IDS } from '../face/zones'
import { amountFor } from './amount'
import { lightDose } from './light'
import { mixFor } from './mixing'

describe('mixing', () => {
  it('covers what is wanted, waste included, in quarter scoops, powder one to activator two', () => {
    fc.assert(
      fc.property(
        fc.subarray([...REGION_IDS], { minLength: 1 }),
        fc.double({ min: 2, max: 20, noNaN: true }),
        (regions, scoop) => {
          const powder = product('hardeningPowder', 'powder', {
            dispenser: { kind: 'scoop', millilitres: scoop },
            density: 1,
          })
          const { count } = amountFor(powder, regions)
          const mix = mixFor('hardeningPowder', count, 'normal', true)
          expect(mix?.powder).toBe(count)
          expect(mix?.liquid).toBe(count * 2)
          // Forty milligrams a square centimetre, and a tenth that stays in the bowl.
          const paste = (areaOf(regions) * 40 * 1.1) / 1000
          expect(count * 3 * scoop).toBeGreaterThanOrEqual(paste - 1e-6)
          if (count > 0.25) expect((count - 0.25) * 3 * scoop).toBeLessThan(paste)
          expect(Number.isInteger(count * 4)).toBe(true)
        },
      ),
    )
  })
  it('takes water for oily skin and milk for dry, unless milk is not borne', () => {
    const of = (type: 'oily' | 'normal' | 'dry', milk = true) =>
      mixFor('powderMask', 1, type, milk)?.of
    expect([of('oily'), of('normal'), of('dry'), of('dry', false)]).toEqual([
      'water',
      'half water, half milk',
      'mostly milk',
      'water',
    ])
  })
  it('mixes nothing that comes ready, and refuses amounts that cannot be', () => {
    expect(mixFor('serum', 1, 'dry', true)).toBeUndefined()
    expect(() => mixFor('powderMask', 0, 'dry', true)).toThrow(RangeError)
  })
  it('reckons light as irradiance times time', () => {
    expect(lightDose(30, 10)).toBeCloseTo(18, 9)
  })
})
