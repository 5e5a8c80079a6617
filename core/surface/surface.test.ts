import { DRY_TICKS, WARM_TICKS } from '../catalogue/rules/surface'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { TECHNIQUES, TECHNIQUE_IDS } from '../catalogue/techniques/techniques'
import { GROUPS } from '../face/regions'
import { REGION_IDS } from '../face/zones'
import { applyTechnique, passTime, startSurface, unmetNeeds } from './surface'
import { describeSkin, describeUnmet } from './words'

const walk = (...ids: (typeof TECHNIQUE_IDS)[number][]) =>
  ids.reduce(
    (sum, id) => applyTechnique(sum, TECHNIQUES[id], GROUPS.faceNeckDecollete, 2),
    startSurface(true),
  )
const cleaned = walk('eyesOff', 'milk', 'secondCleanse')

describe('surface', () => {
  it('starts made-up on the face only', () => {
    const surface = startSurface(true)
    expect(surface.forehead.soil).toBe('madeUp')
    expect(surface.neck.soil).toBe('soiled')
    expect(startSurface(false).forehead.soil).toBe('soiled')
  })
  it('dries uncovered skin and leaves a mask damp', () => {
    expect(passTime(cleaned, DRY_TICKS - 1).forehead.moisture).toBe('damp')
    expect(passTime(cleaned, DRY_TICKS).forehead.moisture).toBe('dry')
    const masked = applyTechnique(cleaned, TECHNIQUES.hydratingMask, GROUPS.face, 4)
    expect(passTime(masked, 40).forehead.moisture).toBe('damp')
  })
  it('lets warmth fade in ten minutes', () => {
    const warm = applyTechnique(cleaned, TECHNIQUES.steam, GROUPS.face, 10)
    expect(passTime(warm, WARM_TICKS - 1).nose.warmth).toBe('warm')
    expect(passTime(warm, WARM_TICKS).nose.warmth).toBe('neutral')
  })
  it('settles a layer before the next', () => {
    const serum = applyTechnique(cleaned, TECHNIQUES.serum, GROUPS.face, 2)
    expect(
      unmetNeeds(serum, TECHNIQUES.moisturiser, GROUPS.face).map((unmetNeed) => unmetNeed.part),
    ).toEqual(['settled'])
    expect(unmetNeeds(passTime(serum, 1), TECHNIQUES.moisturiser, GROUPS.face)).toEqual([])
  })
  it('names what the tip misses on damp, oiled skin', () => {
    const oiled = applyTechnique(cleaned, TECHNIQUES.massage, GROUPS.face, 2)
    const unmet = unmetNeeds(oiled, TECHNIQUES.tip, ['nose'])
    expect(unmet.map((unmet) => unmet.part).sort()).toEqual(['film', 'moisture', 'soil'])
    expect(unmet.map(describeUnmet).join()).toContain('finds oil')
  })
  it('touches only the regions it works on', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...TECHNIQUE_IDS),
        fc.subarray([...REGION_IDS]),
        fc.nat(40),
        (id, regions, ticks) => {
          const after = applyTechnique(cleaned, TECHNIQUES[id], regions, ticks)
          const waited = passTime(cleaned, ticks)
          for (const region of REGION_IDS)
            if (!regions.includes(region)) expect(after[region]).toEqual(waited[region])
        },
      ),
    )
  })
  it('ages the same in one wait or in several', () => {
    fc.assert(
      fc.property(fc.nat(30), fc.nat(30), (one, other) => {
        const warm = applyTechnique(cleaned, TECHNIQUES.steam, GROUPS.face, 6)
        const twice = passTime(passTime(warm, one), other)
        const once = passTime(warm, one + other)
        for (const region of REGION_IDS) {
          expect(twice[region].moisture).toBe(once[region].moisture)
          expect(twice[region].warmth).toBe(once[region].warmth)
          expect(twice[region].settling).toBe(once[region].settling)
        }
      }),
    )
  })
  it('keeps redness between 0 and 4', () => {
    fc.assert(
      fc.property(fc.array(fc.constantFrom(...TECHNIQUE_IDS), { maxLength: 12 }), (ids) => {
        const walked = walk(...ids)
        for (const region of REGION_IDS) {
          expect(walked[region].redness).toBeGreaterThanOrEqual(0)
          expect(walked[region].redness).toBeLessThanOrEqual(4)
        }
      }),
    )
  })
  it('says in a word what the face is like', () => {
    expect(describeSkin(startSurface(true)).text).toBe('made-up')
    expect(describeSkin(cleaned).id).toBe('damp')
    expect(describeSkin(applyTechnique(cleaned, TECHNIQUES.clay, GROUPS.tZone, 2)).text).toBe(
      'partly masked',
    )
  })
})
