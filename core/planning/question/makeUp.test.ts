import * as fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  asWorn,
  eyesMadeUp,
  instead,
  MAKE_UP,
  MAKE_UP_IDS,
  takeOff,
  takeOffWords,
  wornWords,
  type MakeUpId,
} from '../../catalogue/consultation/makeUp'
import { SCHOOL_IDS } from '../../catalogue/schools/schools'
import { TECHNIQUES, type TechniqueId } from '../../catalogue/techniques/techniques'
import { planInput } from '../../testing/fixtures'
import { trayFor } from '../../tray/tray'
import { propose } from '../answer/propose'
import { checkPlan, isFit } from '../checks/check'

/**
 * How it comes off, from the trade and not from the rows (common practice): a pad an eye and one
 * for the lips; held half a minute, a minute where it is waterproof; cleansed twice in make-up or
 * sun cream, three times in heavy layers.
 */
const TRADE: Readonly<Record<MakeUpId, { pads: number; held: number; cleansed: number }>> = {
  light: { pads: 3, held: 0.5, cleansed: 2 },
  sunCream: { pads: 0, held: 0, cleansed: 2 },
  layered: { pads: 3, held: 0.5, cleansed: 3 },
  waterproof: { pads: 3, held: 1, cleansed: 2 },
}
const worn = fc.subarray([...MAKE_UP_IDS]).map(asWorn)
const of = (makeUp: readonly MakeUpId[], school = SCHOOL_IDS[0]) =>
  planInput({ makeUp, school: school ?? 'warmCloth' })
const CLEANSES: readonly TechniqueId[] = ['milk', 'secondCleanse', 'oilCleanse']

describe('what is worn', () => {
  it.each(MAKE_UP_IDS)('%s comes off as the trade does it', (id) => {
    const { pads, held, cleansed } = TRADE[id]
    const own = takeOff([id])
    expect(own.eyePads).toBeGreaterThanOrEqual(pads)
    expect(own.soak).toBe(held)
    expect(own.cleanses + 1).toBe(cleansed)
    expect(own.lipsMeanwhile).toBe(held >= 1)
    expect(MAKE_UP[id].source.length).toBeGreaterThan(5)
  })
  it('with more on the face nothing comes off with less', () => {
    fc.assert(
      fc.property(worn, worn, (some, others) => {
        const one = takeOff(some)
        const both = takeOff([...new Set([...some, ...others])])
        for (const part of ['cleanses', 'facePads', 'eyePads', 'soak', 'eyesMinutes'] as const)
          expect(both[part]).toBeGreaterThanOrEqual(one[part])
      }),
    )
  })
  it('is kept once each, and light or in layers, never both', () => {
    fc.assert(
      fc.property(fc.array(fc.constantFrom(...MAKE_UP_IDS)), (told) => {
        const kept = asWorn(told)
        expect(new Set(kept).size).toBe(kept.length)
        expect(kept.every((id) => told.includes(id))).toBe(true)
        expect(kept.some((one) => kept.some((other) => instead(one, other)))).toBe(
          kept.includes('light') && kept.includes('layered'),
        )
        expect(kept.includes('light') && kept.includes('layered')).toBe(false)
        expect(asWorn(kept)).toEqual(kept)
      }),
    )
  })
  it('is said in words that name its minutes', () => {
    expect(wornWords([])).toBe('nothing')
    expect(wornWords(['layered', 'waterproof'])).toBe('heavy, in layers; waterproof at the eyes')
    expect(takeOffWords([])).toBe('milk, then one cleanse; nothing to take off at eyes and lips')
    expect(takeOffWords(['layered', 'waterproof'])).toBe(
      'Eyes and lips: 4 min, 5 pads, held 60 s, the lips off meanwhile. Then milk, then 2 cleanses.',
    )
  })
})

describe('a plan for what is worn', () => {
  it('has its pads, its minutes and its cleanses, in every school', () => {
    fc.assert(
      fc.property(worn, fc.constantFrom(...SCHOOL_IDS), (makeUp, school) => {
        const input = of(makeUp, school)
        const { steps } = propose(input)
        const eyes = steps.filter(({ technique }) => technique === 'eyesOff')
        expect(eyes.length).toBe(eyesMadeUp(makeUp) ? 1 : 0)
        const held = Math.max(0, ...makeUp.map((id) => TRADE[id].held))
        // The soak, then half a minute at least to wipe.
        for (const { minutes } of eyes) expect(minutes).toBeGreaterThanOrEqual(held + 0.5)
        const cleansed = Math.max(2, ...makeUp.map((id) => TRADE[id].cleansed))
        const cleanses = steps.filter(({ technique }) => CLEANSES.includes(technique))
        expect(cleanses.length).toBeGreaterThanOrEqual(cleansed)
        expect(isFit(checkPlan(input, steps))).toBe(true)
        expect(checkPlan(input, steps).findings.map(({ rule }) => rule)).not.toContain(
          'cleanse-layers',
        )
        for (const { technique, why } of cleanses)
          if (cleansed > 2 && technique !== 'milk')
            expect(why.map(({ rule }) => rule)).toContain('cleanse-layers')
        const pads = (of: typeof input) =>
          trayFor(of, steps).linen.find(({ name }) => name.includes('pad'))?.count ?? 0
        const least = Math.max(0, ...makeUp.map((id) => TRADE[id].pads))
        if (eyes.length > 0) expect(pads(input)).toBeGreaterThanOrEqual(least)
      }),
      { numRuns: 60 },
    )
  })
  it('that hurries what soaks is told so, and mended by one tap', () => {
    const input = of(['waterproof'])
    const steps = propose(input).steps.map((step) =>
      step.technique === 'eyesOff' ? { ...step, minutes: TECHNIQUES.eyesOff.minutes.least } : step,
    )
    const [found] = checkPlan(input, steps).findings.filter(({ rule }) => rule === 'minutes-range')
    expect(found?.text).toContain('4 min')
    expect(found?.text).toContain('waterproof')
    expect(found?.mends[0]?.edits[0]).toMatchObject({ do: 'set', patch: { minutes: 4 } })
  })
})
