import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { PlanStep } from '../../catalogue/techniques/step'
import { GROUPS } from '../../face/regions'
import { at, done, roomOf, STARTED, taps, type TapAt } from '../../testing/room'
import { usualStep } from '../../testing/steps'
import { isStopping } from '../order/atHand'
import type { EventBody } from '../taps/events'
import { fold } from '../fold/fold'
import { offNext } from '../order/offNext'
import { courses, expectedCourse, expectedRedness, looksDue } from './rednessCourse'
import { AFTER_STOP } from './stop'
import { spotAt, spotsDue, sweepWith } from '../step/sweep'

const room = (steps: readonly PlanStep[], list: readonly TapAt[]) =>
  roomOf(steps, list, { baseline: { cheekL: 0 } })
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
  it('is drawn beside what was seen: nothing before the work, most just after it, then fading', () => {
    const mask = usualStep('enzyme', { regions: ['nose'] })
    const state = room(
      [scrub, mask],
      [
        [3, done(scrub)],
        [10, done(mask)],
      ],
    )
    const course = expectedCourse(state, [scrub, mask], { region: 'cheekL', baseline: 1 }, at(20.5))
    expect(course.map(({ minute }) => minute)).toEqual([
      ...Array.from({ length: 21 }, (_, minute) => minute),
      20.5,
    ])
    expect(course.filter(({ minute }) => minute < 3).every(({ grade }) => grade === 1)).toBe(true)
    expect(Math.max(...course.map(({ grade }) => grade))).toBe(2)
    const after = course.filter(({ minute }) => minute >= 3).map(({ grade }) => grade)
    expect(after).toEqual([...after].sort((one, other) => other - one))
    // What lies there works on: its pink does not fade before it is off.
    const nose = expectedCourse(state, [scrub, mask], { region: 'nose', baseline: 0 }, at(20))
    const under = nose.filter(({ minute }) => minute >= 10).map(({ grade }) => grade)
    expect(new Set(under).size).toBe(1)
    expect(under[0]).toBeGreaterThan(0)
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
  it('is expected while the hand is at it, and nothing stays too long that was seen a minute ago', () => {
    // Common practice: the pink of a scrub comes while one scrubs, and is looked at again in ten minutes.
    fc.assert(
      fc.property(fc.constantFrom(1, 2), fc.integer({ min: 1, max: 10 }), (grade, seenAt) => {
        const state = room([scrub], [[seenAt, red(grade as 1 | 2)]])
        const [soon] = courses(state, [scrub], { cheekL: 0 }, at(seenAt + 1.2))
        expect(soon?.staysTooLong).toBe(false)
        expect(soon?.unexplained).toBe(grade > 1)
        const [later] = courses(state, [scrub], { cheekL: 0 }, at(seenAt + 10))
        expect(later?.staysTooLong).toBe(grade > 1)
      }),
    )
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
    expect(stung.resting[0]).toMatchObject({ earliest: 2, latest: 6, comesOffFirst: true })
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
    expect(sweepWith(on, steps, off, cream).spots).toContain('hairline')
    expect(sweepWith(on, steps, off, usualStep('massage')).spots).toEqual([])
  })
  it('is ticked spot by spot on the face, and stays in sight until the step ends', () => {
    const on = room(steps, [
      [1, done(clay)],
      [5, { kind: 'swept', key: off.key, spots: ['brows'] }],
    ])
    const sweep = sweepWith(on, steps, off, cream)
    expect(sweep.spots).toEqual(expect.arrayContaining(['brows', 'hairline']))
    expect(sweep.ticked).toEqual(['brows'])
    expect(spotAt(sweep, 'glabella')).toBeUndefined()
    expect(spotAt(sweep, 'hairline')).toBe('hairline')
    // What was ticked singly and then with the step is not asked for again under the cream.
    const ended = room(steps, [
      [1, done(clay)],
      [5, { kind: 'swept', key: off.key, spots: ['brows'] }],
      [9, { ...done(off), swept: [...sweep.spots] } as EventBody],
    ])
    expect(sweepWith(ended, steps, cream, undefined)).toEqual({ spots: [], ticked: [] })
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
  const sign = (minute: number): TapAt => [
    minute,
    { kind: 'sign', sign: 'burning', region: 'cheekL', key: null },
  ]
  const calm: TapAt = [4, { kind: 'replanned', version: 2, reason: AFTER_STOP }]
  const folded = (list: readonly TapAt[]) =>
    fold(taps(...list), {
      plans: { 1: [cream], 2: [cream] },
      dwellOf: () => undefined,
      baseline: {},
    })
  it('opens its path again, from its first step, and the first one is not forgotten', () => {
    const walked: TapAt = [3, { kind: 'stopStep', step: 'removed' }]
    const once = folded([STARTED, sign(2), walked, calm])
    expect(isStopping(once)).toBe(false)
    const twice = folded([STARTED, sign(2), walked, calm, sign(6)])
    expect(isStopping(twice)).toBe(true)
    expect(twice.stopped?.steps).toEqual([])
    expect(twice.stopped?.reason).toContain('Then again')
  })
})
