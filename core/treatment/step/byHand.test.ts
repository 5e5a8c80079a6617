import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { planInput } from '../../testing/fixtures'
import { at, MINUTE, roomOf as room, T0 } from '../../testing/room'
import { usualStep } from '../../testing/steps'
import { millilitres } from '../../units'
import { dialOf } from '../order/atHand'
import type { EventBody } from '../taps/events'
import { ladderAt } from './ladder'
import { dragsAfter, laidFor, slipLeft, topUpCount, topUpNow } from './slip'

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
  it('only ever runs out, sooner on dry skin, and is brought back by what went', () => {
    fc.assert(
      fc.property(fc.nat(60), fc.nat(60), fc.boolean(), (one, more, dry) => {
        expect(slipLeft(one + more, dry)).toBeLessThanOrEqual(slipLeft(one, dry))
        expect(slipLeft(one, true)).toBeLessThanOrEqual(slipLeft(one, false))
        const laid = millilitres(1)
        expect(topUpCount(laid, one + more, dry)).toBeGreaterThanOrEqual(topUpCount(laid, one, dry))
      }),
    )
    const skin = { type: 'normal', conditions: [] } as const
    const massage = usualStep('massage')
    const bottle = { dispenser: { kind: 'pour', millilitres: 1 } } as const
    const after = (minute: number, step = massage) =>
      topUpNow(step, skin, bottle, millilitres(1), minute * MINUTE)
    expect(after(2)).toBeUndefined()
    expect(after(20)?.words).toMatch(/^\d+ drops$/)
    const gel = { dispenser: { kind: 'pump', millilitres: 0.8 } } as const
    expect(topUpNow(massage, skin, gel, millilitres(1), 20 * MINUTE)).toEqual({
      words: '1 pump',
      millilitres: 0.8,
    })
    expect(after(20, usualStep('milk'))).toBeUndefined()
    expect(dragsAfter(true)).toBeLessThan(dragsAfter(false))
    expect(slipLeft(dragsAfter(false), false)).toBeCloseTo(0.6)
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
