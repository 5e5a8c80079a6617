import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { readAll, RESILIENT } from '../testing/fixtures'
import { comparable, scoreHalves, type HalfFace } from './halves'
import { acneOf } from './notes'
import { observe, OBSERVATION_IDS, OBSERVATIONS } from './observations'
import { deriveProfile } from './profile'
import { unreadRegions, type Grade, type ZoneReading } from './readings'

describe('one-tap observations', () => {
  it('raise or lower to what was noticed, and never the other way', () => {
    expect(observe({ water: 3 }, 'thirsty').water).toBe(1)
    expect(observe({ water: 0 }, 'thirsty').water).toBe(0)
    expect(observe({ sensitivity: 3 }, 'pinks').sensitivity).toBe(3)
    expect(observe(undefined, 'staysPink')).toEqual({ sensitivity: 2, redness: 1 })
    expect(observe({ congestion: 4 }, 'tickle2').congestion).toBe(2)
    // What catches the finger says nothing of how tender the skin is.
    expect(observe({ sensitivity: 4 }, 'tickle2').sensitivity).toBe(4)
  })
  it('said twice are said once, and touch only what they speak of', () => {
    const grade = fc.option(fc.constantFrom<Grade>(0, 1, 2, 3, 4), { nil: undefined })
    const zone = fc.record({
      oil: grade,
      water: grade,
      redness: grade,
      sensitivity: grade,
      texture: grade,
    }) as fc.Arbitrary<ZoneReading>
    fc.assert(
      fc.property(zone, fc.constantFrom(...OBSERVATION_IDS), (zone, id) => {
        const once = observe(zone, id)
        expect(observe(once, id)).toEqual(once)
        const speaks =
          OBSERVATIONS.find((observation) => observation.id === id)?.sets.map(
            (other) => other.reading,
          ) ?? []
        for (const anyReading of Object.keys(zone) as (keyof ZoneReading)[])
          if (!speaks.includes(anyReading)) expect(once[anyReading]).toBe(zone[anyReading])
      }),
    )
  })
  it('stand in the evidence of the line they speak for', () => {
    const profile = deriveProfile(
      { ...readAll(RESILIENT), cheekL: observe(RESILIENT, 'thirsty') },
      40,
      {
        observed: [{ zone: 'cheekL', id: 'thirsty' }],
      },
    )
    expect(profile.lines.find((line) => line.id === 'dehydrated')?.evidence[0]?.text).toBe(
      'water 1, thirsty',
    )
  })
})

describe('seen otherwise', () => {
  it('changes the line with its reason and leaves the grades', () => {
    const read = readAll({ ...RESILIENT, sensitivity: 2 })
    const profile = deriveProfile(read, 40, {
      overruled: [
        { line: 'sensitive', say: false, reason: 'nervous about the lamp only' },
        { line: 'type', say: 'oily', reason: 'washed an hour ago' },
        { line: 'dehydrated', say: true, reason: 'felt under the cleanser' },
      ],
    })
    expect(profile.type).toBe('oily')
    expect(profile.conditions).not.toContain('sensitive')
    expect(profile.conditions).toContain('dehydrated')
    expect(profile.regions.nose.sensitivity).toBe(2)
    for (const id of ['sensitive', 'type', 'dehydrated'])
      expect(profile.lines.find((line) => line.id === id)?.overruled).toBeDefined()
  })
})

describe('readings where there is something to see', () => {
  it('are not missed when unread', () => {
    expect(unreadRegions(readAll(RESILIENT))).toEqual([])
  })
  it('give the acne grade by the worst lesion of each area, and name the areas not looked at', () => {
    expect(acneOf(readAll(RESILIENT))).toBeUndefined()
    const some = acneOf({
      forehead: { spots: 2 },
      hairline: { spots: 1 },
      nose: { spots: 1 },
      jawL: { spots: 3 },
    })
    expect(some?.sum).toBe(2 * 2 + 1 * 1 + 2 * 3)
    expect(some?.missing).toEqual(['cheekR', 'chin', 'chestBack'])
  })
})

describe('half against half', () => {
  const look = (moment: 'before' | 'after', light: string): HalfFace => ({
    id: moment,
    moment,
    worked: 'L',
    light,
    grades: {},
    at: 0,
  })
  it('scores what changed on the worked half beyond the other', () => {
    const scored = scoreHalves(
      { brow: { L: 1, R: 1 }, redness: { L: 0, R: 0 }, glow: { L: 1, R: 1 } },
      { brow: { L: 3, R: 2 }, redness: { L: 1, R: 1 } },
      'L',
    )
    expect(scored).toEqual([
      { feature: 'brow', worked: 2, other: 1, difference: 1 },
      { feature: 'redness', worked: 1, other: 1, difference: 0 },
    ])
  })
  it('changes its sign with the half that was worked', () => {
    const arbitrary = fc.record({ L: fc.nat(4), R: fc.nat(4) })
    fc.assert(
      fc.property(arbitrary, arbitrary, (other, one) => {
        expect(scoreHalves({ fold: other }, { fold: one }, 'L')[0]?.difference).toBe(
          -(scoreHalves({ fold: other }, { fold: one }, 'R')[0]?.difference ?? 0) + 0,
        )
      }),
    )
  })
  it('is compared under one light only', () => {
    expect(comparable(look('before', 'Ring lamp '), look('after', 'ring lamp'))).toBe(true)
    expect(comparable(look('before', 'ring lamp'), look('after', 'daylight'))).toBe(false)
  })
})
