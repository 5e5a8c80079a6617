import * as fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { TECHNIQUE_IDS, TECHNIQUES } from '../../catalogue/techniques/techniques'
import { areaOf } from '../../face/regions'
import { REGION_IDS, type RegionId } from '../../face/zones'
import { deriveProfile } from '../../skin/profile'
import { readAll, RESILIENT } from '../../testing/fixtures'
import { usualStep } from '../../testing/steps'
import { minutes } from '../../units'
import { foundFor, sequenceOf, shareWords } from './sequence'

/* Common practice: the glass stays longer where the skin breaks out or is congested, on chin and forehead
   more than on calm cheeks; its minutes stay those of the step. */

const wand = { ...usualStep('highFrequency'), minutes: minutes(5) }
const grade = fc.integer({ min: 0, max: 4 })
const skin = (spots: Partial<Record<RegionId, number>>) =>
  deriveProfile(
    readAll(
      { ...RESILIENT, spots: 0, congestion: 0 },
      Object.fromEntries(
        REGION_IDS.map((region) => [
          region,
          { ...RESILIENT, congestion: 0, spots: spots[region] ?? 0 },
        ]),
      ) as never,
    ),
    30,
  )
const minutesBy = (spots: Partial<Record<RegionId, number>>) => {
  const sequence = sequenceOf(wand, foundFor(wand, skin(spots)))
  const out = new Map<RegionId, number>()
  for (const { place, minutes: own } of sequence)
    if ('region' in place) out.set(place.region, (out.get(place.region) ?? 0) + own)
  return out
}

describe('high frequency by zone', () => {
  it('takes its own minutes, whatever was read', () => {
    fc.assert(
      fc.property(grade, grade, grade, (chin, forehead, nose) => {
        const sum = [...minutesBy({ chin, forehead, nose }).values()].reduce(
          (all, own) => all + own,
          0,
        )
        expect(sum).toBeCloseTo(wand.minutes)
      }),
    )
  })
  it('never gives a zone less for more spots on it, and of two alike in size more to the worse', () => {
    fc.assert(
      fc.property(
        grade,
        grade,
        fc.constantFrom<RegionId>('chin', 'forehead', 'nose'),
        (one, more, zone) => {
          const calm = minutesBy({ [zone]: Math.min(one, more) }).get(zone) ?? 0
          expect(minutesBy({ [zone]: Math.max(one, more) }).get(zone) ?? 0).toBeGreaterThanOrEqual(
            calm,
          )
        },
      ),
    )
    expect(areaOf(['cheekL'])).toBe(areaOf(['cheekR']))
    const worse = minutesBy({ cheekL: 4 })
    expect(worse.get('cheekL') ?? 0).toBeGreaterThan(worse.get('cheekR') ?? 0)
  })
  it('is said of the zones it stays on, on the plan and under the hand', () => {
    const found = foundFor(wand, skin({ chin: 3 }))
    expect(sequenceOf(wand, found).some(({ say }) => /^chin.*prone, longer here/.test(say))).toBe(
      true,
    )
    expect(shareWords(wand, found)).toMatch(/chin/)
  })
  it('stays longer for tension in a massage only, and for nothing in most steps', () => {
    const tense = deriveProfile(readAll({ ...RESILIENT, tension: 4, spots: 4 }), 30)
    for (const id of TECHNIQUE_IDS) {
      const found = Math.max(0, ...Object.values(foundFor(usualStep(id), tense)))
      const stays = TECHNIQUES[id].stage === 'massage' || id === 'highFrequency'
      expect(found > 0, id).toBe(stays)
    }
  })
})
