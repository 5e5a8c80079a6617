import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { PlanStep } from '../catalogue/techniques/step'
import { GROUPS } from '../face/regions'
import { usualStep } from '../testing/steps'
import { dwellWindow } from '../timing/schedule'
import { millilitres } from '../units'
import type { EventBody, TreatmentEvent } from './events'
import { fold, type FoldContext } from './fold'
import { ladderAt } from './ladder'
import { offNext } from './offNext'
import { courses, expectedRedness, looksDue } from './rednessCourse'
import { dragsAfter, slipLeft, topUpCount, topUpNow } from './slip'
import { planInput } from '../testing/fixtures'
import { dialOf, isStopping } from './atHand'
import { AFTER_STOP } from './stop'
import { countedWords } from '../record/countedWords'
import { deviationsOf } from '../record/deviations'
import { spotsDue, sweepWith } from './sweep'

const T0 = 1_800_000_000_000
const MINUTE = 60_000
const at = (minute: number) => T0 + minute * MINUTE
const room = (steps: readonly PlanStep[], list: readonly (readonly [number, EventBody])[]) => {
  const context: FoldContext = {
    plans: { 1: steps },
    dwellOf: (own) => dwellWindow(own, () => false),
    baseline: { cheekL: 0 },
  }
  const events = [[0, { kind: 'started' }] as const, ...list].map(
    ([minute, body], seq): TreatmentEvent => ({
      id: `tap-${seq}`,
      at: at(minute),
      deviceId: 'a',
      seq,
      planVersion: 1,
      body,
    }),
  )
  return fold(events, context)
}
const done = (step: PlanStep): EventBody => ({ kind: 'stepDone', key: step.key, cue: true })
const red = (grade: 0 | 1 | 2): EventBody => ({
  kind: 'redness',
  region: 'cheekL',
  grade,
  key: null,
})

describe('redness over the minutes', () => {
  const scrub = usualStep('grain', { regions: GROUPS.face })
  it('of a scrub is explained for half an hour, less and less, and not beyond', () => {
    const state = room([scrub], [[3, done(scrub)]])
    const by = (minute: number) => expectedRedness(state, [scrub], 'cheekL', 0, at(minute))
    expect(by(3)).toBe(1)
    expect(by(18)).toBeCloseTo(0.5)
    expect(by(33)).toBe(0)
    fc.assert(
      fc.property(fc.integer({ min: 3, max: 90 }), fc.nat(60), (minute, more) => {
        expect(by(minute + more)).toBeLessThanOrEqual(by(minute))
      }),
    )
  })
  it('is looked at again by itself, until it is back', () => {
    const pink = room(
      [scrub],
      [
        [3, done(scrub)],
        [4, red(1)],
      ],
    )
    const of = (state: typeof pink, minute: number) =>
      courses(state, [scrub], { cheekL: 0 }, at(minute))
    expect(looksDue(of(pink, 6), at(6))).toEqual([])
    expect(looksDue(of(pink, 14), at(14))).toEqual(['cheekL'])
    const back = room(
      [scrub],
      [
        [3, done(scrub)],
        [4, red(1)],
        [14, red(0)],
      ],
    )
    expect(looksDue(of(back, 40), at(40))).toEqual([])
    expect(of(back, 40)[0]?.seen).toEqual([
      { minute: 4, grade: 1 },
      { minute: 14, grade: 0 },
    ])
  })
  it('that stays past its half hour is no longer expected', () => {
    const stays = room(
      [scrub],
      [
        [3, done(scrub)],
        [36, red(1)],
      ],
    )
    const [late] = courses(stays, [scrub], { cheekL: 0 }, at(37))
    expect(late?.staysTooLong).toBe(true)
    const fades = room(
      [scrub],
      [
        [3, done(scrub)],
        [8, red(1)],
      ],
    )
    expect(courses(fades, [scrub], { cheekL: 0 }, at(9))[0]?.staysTooLong).toBe(false)
  })
})

describe('a sting', () => {
  const enzyme = usualStep('enzyme', { regions: GROUPS.face })
  it('moves the clock itself: half of what was left, and it may come off now', () => {
    const sting: EventBody = { kind: 'sensation', grade: 5, region: 'cheekL', key: null }
    const on = room([enzyme], [[1, done(enzyme)]])
    const stung = room(
      [enzyme],
      [
        [1, done(enzyme)],
        [3, sting],
      ],
    )
    expect(on.resting[0]).toMatchObject({ earliest: 5, latest: 10 })
    expect(stung.resting[0]).toMatchObject({ earliest: 2, latest: 6, shortened: true })
    const tingle = room(
      [enzyme],
      [
        [1, done(enzyme)],
        [3, { ...sting, grade: 2 }],
      ],
    )
    expect(tingle.resting[0]).toMatchObject({ earliest: 5, latest: 10 })
    expect(offNext(stung, [enzyme], at(3))?.beginBy).toBe(4)
  })
})

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
})

describe('what stays behind', () => {
  const clay = usualStep('clay', { regions: GROUPS.face })
  const off = usualStep('maskOff', { regions: GROUPS.face })
  const cream = usualStep('moisturiser', { regions: GROUPS.face })
  const steps = [clay, off, cream]
  it('is looked for before anything stays on, where what was used stays behind', () => {
    const before = room(steps, [
      [1, done(clay)],
      [9, done(off)],
    ])
    expect(spotsDue(before, steps)).toEqual(
      expect.arrayContaining(['brows', 'nostrils', 'hairline', 'underJaw']),
    )
    expect(spotsDue(before, steps)).not.toContain('lashRoots')
    const on = room(steps, [[1, done(clay)]])
    expect(sweepWith(on, steps, off, cream)).toContain('hairline')
    expect(sweepWith(on, steps, off, usualStep('massage'))).toEqual([])
  })
  it('is seen to with the step before it, in one tap, and due again after more', () => {
    const spots = spotsDue(room(steps, [[1, done(clay)]]), steps)
    const swept = room(steps, [
      [1, done(clay)],
      [9, { ...done(off), swept: spots } as EventBody],
    ])
    expect(spotsDue(swept, steps)).toEqual([])
    const more = usualStep('grain', { key: 'grain-2' })
    const again = room(
      [...steps, more],
      [
        [1, done(clay)],
        [9, { ...done(off), swept: spots } as EventBody],
        [12, done(more)],
      ],
    )
    expect(spotsDue(again, [...steps, more])).toContain('brows')
  })
})

describe('a stop after the calm that followed one', () => {
  const cream = usualStep('moisturiser')
  const sign = (minute: number): readonly [number, EventBody] => [
    minute,
    { kind: 'sign', sign: 'burning', region: 'cheekL', key: null },
  ]
  const calm: readonly [number, EventBody] = [
    4,
    { kind: 'replanned', version: 2, reason: AFTER_STOP },
  ]
  const folded = (list: readonly (readonly [number, EventBody])[]) =>
    fold(
      list.map(([minute, body], seq) => ({
        id: `tap-${seq}`,
        at: at(minute),
        deviceId: 'a',
        seq,
        planVersion: 1,
        body,
      })),
      { plans: { 1: [cream], 2: [cream] }, dwellOf: () => undefined, baseline: {} },
    )
  it('opens its path again, from its first step, and the first one is not forgotten', () => {
    const walked: readonly [number, EventBody] = [3, { kind: 'stopStep', step: 'removed' }]
    const once = folded([[0, { kind: 'started' }], sign(2), walked, calm])
    expect(isStopping(once)).toBe(false)
    const twice = folded([[0, { kind: 'started' }], sign(2), walked, calm, sign(6)])
    expect(isStopping(twice)).toBe(true)
    expect(twice.stopped?.steps).toEqual([])
    expect(twice.stopped?.reason).toContain('Then again')
  })
})

describe('what was counted', () => {
  it('is read in the record in words, and is silent where nothing was', () => {
    expect(countedWords({})).toBe('')
    expect(countedWords({ pads: [2, 0], water: 1, deviceLevel: 12 })).toBe(
      'pads 2, 0; water added 1 time; device at 12',
    )
  })
})

describe('what a step was besides its minutes', () => {
  const cream = usualStep('moisturiser')
  const said = (list: readonly (readonly [number, EventBody])[]) =>
    deviationsOf(cream, cream.minutes, room([cream], list))
  it('stands in its line of the record: waited for, ended all the same, taken back', () => {
    expect(said([[2, done(cream)]])).toEqual([])
    const notYet: EventBody = { kind: 'notYet', key: cream.key }
    expect(
      said([
        [1, notYet],
        [2, notYet],
        [3, done(cream)],
      ]),
    ).toContain('its cue was waited for 2 times')
    const because = { ...done(cream), cue: false, because: 'client asked' } as EventBody
    expect(said([[2, because]])).toContain('ended before its cue: client asked')
    const back: EventBody = { kind: 'takenBack', key: cream.key }
    expect(
      said([
        [2, done(cream)],
        [3, back],
        [4, done(cream)],
      ]),
    ).toContain('its end was taken back once')
    const fault: EventBody = {
      kind: 'deviceSaid',
      key: cream.key,
      level: null,
      fault: 'It sticks.',
    }
    expect(
      said([
        [1, fault],
        [2, done(cream)],
      ]),
    ).toContain('It sticks.')
  })
})
