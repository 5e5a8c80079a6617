import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { planInput } from '../../testing/fixtures'
import { at, MINUTE, roomOf as room, T0 } from '../../testing/room'
import { usualStep } from '../../testing/steps'
import { millilitres, squareCentimetres } from '../../units'
import { dialOf } from '../order/atHand'
import type { EventBody } from '../taps/events'
import { ladderAt } from './ladder'
import { areaOf, GROUPS } from '../../face/regions'
import { dragsAfter, filmLeft, laidFor, topUpCount, topUpNow } from './slip'

describe('the ladder of a device', () => {
  const tip = usualStep('tip')
  const dial = {
    label: 'Vacuum',
    unit: 'kPa',
    least: 8,
    most: 16,
    step: 2,
    value: 12,
    stronger: 1,
  } as const
  const calm: EventBody = { kind: 'calm', key: tip.key, setting: 12 }
  it('is not stepped up before its minute, nor before somebody looked and it was calm', () => {
    const open = room([tip], [])
    expect(ladderAt(open, tip.key, dial, T0, at(0.5)).mayStepUp).toBe(false)
    expect(ladderAt(open, tip.key, dial, T0, at(2)).mayStepUp).toBe(false)
    const seen = room([tip], [[1.5, calm]])
    expect(ladderAt(seen, tip.key, dial, T0, at(2)).mayStepUp).toBe(true)
  })
  it('is made stronger the way that is stronger: a steamer by coming nearer', () => {
    const steam = usualStep('steam')
    const far = dialOf(room([steam], []), steam, planInput())
    if (!far) throw new Error('steam has a distance')
    expect(far.stronger).toBe(-1)
    expect(ladderAt(room([steam], []), steam.key, far, T0, at(2)).mayStepUp).toBe(false)
    const own: EventBody = { kind: 'calm', key: steam.key, setting: far.value }
    const seen = room([steam], [[1.5, own]])
    expect(ladderAt(seen, steam.key, far, T0, at(2)).mayStepUp).toBe(true)
    const nearest = { ...far, value: far.least }
    expect(ladderAt(seen, steam.key, nearest, T0, at(2)).mayStepUp).toBe(false)
    // Calm at 45 cm says nothing of 40.
    const nearer = room([steam], [[1.5, { ...own, setting: far.value + far.step }]])
    expect(ladderAt(nearer, steam.key, far, T0, at(2)).mayStepUp).toBe(false)
  })
  it('begins anew at every level, and ends at the cap whoever is calm', () => {
    const up = room(
      [tip],
      [
        [1.5, calm],
        [2, { kind: 'settingChanged', key: tip.key, setting: 14 }],
      ],
    )
    const higher = { ...dial, value: 14 }
    expect(ladderAt(up, tip.key, higher, T0, at(4)).mayStepUp).toBe(false)
    const top = room([tip], [[1.5, { ...calm, setting: 16 }]])
    expect(ladderAt(top, tip.key, { ...dial, value: 16 }, T0, at(4)).mayStepUp).toBe(false)
  })
})

describe('slip', () => {
  const film = fc.double({ min: 0.2, max: 20, noNaN: true })
  it('only ever runs out, sooner on dry skin and thinner films, and is brought back by what went', () => {
    fc.assert(
      fc.property(film, fc.nat(60), fc.nat(60), fc.boolean(), (own, one, more, dry) => {
        expect(filmLeft(own, one + more, dry)).toBeLessThanOrEqual(filmLeft(own, one, dry))
        expect(filmLeft(own, one, true)).toBeLessThanOrEqual(filmLeft(own, one, false))
        const laid = millilitres(1)
        const count = (after: number) => topUpCount(laid, own, after, dry)
        expect(count(one + more)).toBeGreaterThanOrEqual(count(one))
        expect(dragsAfter(own, true)).toBeLessThanOrEqual(dragsAfter(own, false))
        expect(dragsAfter(own + 1, dry)).toBeGreaterThanOrEqual(dragsAfter(own, dry))
      }),
    )
  })
  const skin = { type: 'normal', conditions: [] } as const
  const drops = { dispenser: { kind: 'drop', millilitres: 0.035 }, density: 0.92 } as const
  const onFace = areaOf(GROUPS.face)
  /** Five drops of oil on a face: 0.3 mg/cm², as it begins. */
  const after = (minute: number, step = usualStep('massage'), more = {}) =>
    topUpNow(step, skin, {
      ...{ bottle: drops, laid: millilitres(0.18), area: onFace, ranMs: minute * MINUTE },
      ...more,
    })
  it('a thin start of oil is topped up within five minutes of a massage or of stones, by a few drops', () => {
    expect(after(2)).toBeUndefined()
    for (const step of [usualStep('massage'), usualStep('stones')])
      expect(after(5, step)?.words).toMatch(/^[1-4] drops?$/)
    expect(after(5, usualStep('milk'))).toBeUndefined()
    // Half the face has twice the film of the same drops: it glides for longer.
    expect(after(5, usualStep('stones'), { area: squareCentimetres(onFace / 2) })).toBeUndefined()
  })
  it('a gel laid thick glides a quarter of an hour, and is topped up by its own pump', () => {
    const gel = { dispenser: { kind: 'pump', millilitres: 0.8 }, density: 1 } as const
    const laid = { bottle: gel, laid: millilitres(5), area: onFace }
    expect(dragsAfter(9, false)).toBeGreaterThan(12)
    expect(after(10, usualStep('massage'), laid)).toBeUndefined()
    expect(after(20, usualStep('massage'), laid)?.words).toMatch(/^\d+ pumps?$/)
    // What is poured or lies in a jar is topped up in drops.
    const jar = { dispenser: { kind: 'pour', millilitres: 1 }, density: 1 } as const
    expect(after(20, usualStep('massage'), { ...laid, bottle: jar })?.words).toMatch(/drops$/)
  })
  it('runs out from the last top-up, and from the start of the step where there was none', () => {
    const massage = usualStep('massage')
    const state = room([massage], [])
    expect(laidFor(state, 9 * MINUTE, undefined)).toBe(9 * MINUTE)
    expect(laidFor(state, 9 * MINUTE, at(6))).toBe(3 * MINUTE)
    // What was taken before the step was at hand tops nothing up.
    expect(laidFor(state, 9 * MINUTE, at(-2))).toBe(9 * MINUTE)
  })
})
