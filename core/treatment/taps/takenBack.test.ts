import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { PlanStep } from '../../catalogue/techniques/step'
import { GROUPS } from '../../face/regions'
import { contextOf, done as doneWith, MINUTE, STARTED, T0, taps } from '../../testing/room'
import { minutes } from '../../units'
import type { EventBody, TreatmentEvent } from './events'
import { fold } from '../fold/fold'
import { halfTimes } from '../step/halfTime'
import { momentsOf } from '../order/moments'

const step = (key: string, technique: PlanStep['technique'], took: number): PlanStep => ({
  key,
  technique,
  minutes: minutes(took),
  regions: GROUPS.face,
  why: [],
})
const STEPS = [
  step('milk', 'milk', 2),
  step('blot', 'blot', 0.5),
  step('tip', 'tip', 8),
  step('mist', 'mist', 0.5),
  step('enzyme', 'enzyme', 2),
  step('off', 'maskOff', 2),
  step('cream', 'moisturiser', 2),
]
const context = contextOf(STEPS)
const done = (key: string, more: object = {}) => doneWith({ key }, more)
const started = STARTED
const took = (events: TreatmentEvent[], key: string) => {
  const own = fold(events, context).done.find((one) => one.key === key)
  return own && (own.endedAt - own.beganAt) / MINUTE
}

describe('a step taken back', () => {
  it('is at hand again, with its clock, as if it had never ended', () => {
    const slip = taps(started, [2, done('milk')], [3, done('blot')])
    const back = fold(
      [...slip, ...taps([4, { kind: 'takenBack', key: 'blot' }]).map(later)],
      context,
    )
    expect(back.current).toEqual({ key: 'blot', since: T0 + 2 * MINUTE })
    expect(back.takenBack).toEqual([{ at: T0 + 4 * MINUTE, key: 'blot' }])
  })
  it('lets what it laid no longer rest, and what it took off rest on', () => {
    const on = taps(started, [2, done('milk')], [3, done('tip')], [5, done('enzyme')])
    expect(fold(on, context).resting).toHaveLength(1)
    const notOn = [...on, later(taps([6, { kind: 'takenBack', key: 'enzyme' }])[0])]
    expect(fold(notOn, context).resting).toEqual([])
    const off = [...on, ...taps([9, done('off')]).map(later)]
    expect(fold(off, context).resting[0]?.endedAt).toBeDefined()
    const stillOn = [...off, ...taps([10, { kind: 'takenBack', key: 'off' }]).map(latest)]
    expect(fold(stillOn, context).resting[0]?.endedAt).toBeUndefined()
    expect(fold(stillOn, context).current?.key).toBe('blot')
  })
  it('brings its ticks back with it, and can end anew', () => {
    const slip = taps(started, [2, done('milk')], [8, done('tip', { with: ['blot'] })])
    const back = [...slip, ...taps([9, { kind: 'takenBack', key: 'tip' }]).map(later)]
    expect(fold(back, context).done.map(({ key }) => key)).toEqual(['milk'])
    const anew = [...back, ...taps([12, done('tip', { with: ['blot'] })]).map(latest)]
    expect(took(anew, 'blot')).toBe(0.5)
    expect(took(anew, 'tip')).toBe(9.5)
  })
  it('changes nothing once the visit is over', () => {
    const over = taps(
      started,
      [2, done('milk')],
      [3, { kind: 'finished' }],
      [4, { kind: 'takenBack', key: 'milk' }],
    )
    expect(fold(over, context).done).toHaveLength(1)
  })
})

/** Taps of a later device count, so that ids stay apart. */
function later(tap: TreatmentEvent | undefined): TreatmentEvent {
  if (!tap) throw new Error('no tap')
  return { ...tap, id: `later-${tap.at}`, seq: tap.seq + 100 }
}
const latest = (tap: TreatmentEvent) => ({ ...later(tap), id: `latest-${tap.at}` })

describe('ticks inside a main step', () => {
  it('take what they were planned where there was time, and their share where there was none', () => {
    const slow = taps(started, [2, done('milk')], [12, done('tip', { with: ['blot'] })])
    expect(took(slow, 'blot')).toBe(0.5)
    expect(took(slow, 'tip')).toBe(9.5)
    const quick = taps(started, [2, done('milk')], [2.85, done('tip', { with: ['blot'] })])
    expect(took(quick, 'blot')).toBeCloseTo(0.05, 2)
    expect((took(quick, 'blot') ?? 0) + (took(quick, 'tip') ?? 0)).toBeCloseTo(0.85, 5)
  })
  it('belong to the main step they lead up to, and to the next where that ended without them', () => {
    const names = momentsOf(STEPS).map(({ ticks, main }) => [...ticks, main].map(({ key }) => key))
    expect(names).toEqual([['milk'], ['blot', 'tip'], ['mist', 'enzyme'], ['off'], ['cream']])
    const carried = momentsOf(STEPS, new Set(['tip'])).map(({ ticks }) =>
      ticks.map(({ key }) => key),
    )
    expect(carried[2]).toEqual(['blot', 'mist'])
  })
})

const KEYS = STEPS.map(({ key }) => key)
const body: fc.Arbitrary<EventBody> = fc.oneof(
  fc.constantFrom<EventBody>(
    { kind: 'started' },
    { kind: 'held' },
    { kind: 'resumed' },
    { kind: 'stopped', reason: 'hand up' },
    { kind: 'finished' },
  ),
  fc
    .constantFrom(...KEYS)
    .chain((key) =>
      fc.constantFrom<EventBody>(
        done(key),
        done(key, { with: ['blot', 'mist'] }),
        { kind: 'stepSkipped', key, reason: 'no time left' },
        { kind: 'takenBack', key },
        { kind: 'productSwapped', key, productId: 'other', reason: 'ran out' },
        { kind: 'counted', key, region: 'nose', by: -1 },
        { kind: 'counted', key, region: 'nose', by: 1 },
        { kind: 'counted', key, region: null, by: -1 },
        { kind: 'counted', key, region: null, by: 1 },
        { kind: 'passDone', key, region: 'chin' },
        { kind: 'padGraded', key, grade: 2 },
        { kind: 'side', key, side: 'L' },
        { kind: 'side', key, side: 'R' },
        { kind: 'sensation', grade: 5, region: 'nose', key },
      ),
    ),
)
const history = fc.array(
  fc.tuple(
    fc.integer({ min: 0, max: 90 }),
    body,
    fc.constantFrom({ deviceId: 'a' }, { deviceId: 'b' }),
  ),
  {
    maxLength: 40,
  },
)

describe('any history of taking back, holding, swapping and stopping on two tablets', () => {
  it('folds to one state, in whatever order it arrives, and twice', () => {
    fc.assert(
      fc.property(history, fc.integer(), (list, seed) => {
        const events = taps(...list)
        const shuffled = [...events, ...events].sort(
          (one, other) => turn(one.id, seed) - turn(other.id, seed),
        )
        expect(fold(shuffled, context)).toEqual(fold(events, context))
      }),
      { numRuns: 300 },
    )
  })
  it('never counts below nought, never ends a step twice, and its minutes never overlap', () => {
    fc.assert(
      fc.property(history, (list) => {
        const state = fold(taps(started, ...list), context)
        const counts = [
          ...Object.values(state.counts),
          ...Object.values(state.passes).flatMap((own) => Object.values(own)),
        ]
        for (const count of counts) expect(count).toBeGreaterThanOrEqual(0)
        const keys = state.done.map(({ key }) => key)
        expect(new Set(keys).size).toBe(keys.length)
        let before = 0
        for (const own of state.done) {
          expect(own.beganAt).toBeGreaterThanOrEqual(before)
          expect(own.endedAt).toBeGreaterThanOrEqual(own.beganAt)
          before = own.endedAt
        }
        for (const turns of Object.values(state.sides)) {
          const { L, R } = halfTimes(turns, turns.at(-1)?.ran ?? 0)
          expect(Math.min(L, R)).toBeGreaterThanOrEqual(0)
        }
        for (const own of state.resting)
          expect((own.endedAt ?? Infinity) - own.since).toBeGreaterThanOrEqual(0)
      }),
      { numRuns: 300 },
    )
  })
  it('a tap and its taking back leave nothing but the word of it', () => {
    fc.assert(
      fc.property(history, fc.constantFrom(...KEYS), (list, key) => {
        const open = list.filter(([, own]) => own.kind !== 'finished' && own.kind !== 'takenBack')
        const events = taps(started, ...open)
        const state = fold(events, context)
        if (state.done.some((own) => own.key === key)) return
        const [slip, back] = taps([91, done(key)], [92, { kind: 'takenBack', key }]).map(later)
        if (!slip || !back) return
        const { takenBack, ...rest } = fold([...events, slip, back], context)
        const { takenBack: before, ...same } = state
        expect(before).toEqual([])
        expect(takenBack).toHaveLength(1)
        expect({ ...rest, breaches: [] }).toEqual({ ...same, breaches: [] })
      }),
      { numRuns: 200 },
    )
  })
})
const turn = (id: string, seed: number) =>
  [...id].reduce((sum, letter) => (sum * 31 + letter.charCodeAt(0)) % 9973, Math.abs(seed % 9973))
