import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { PlanStep } from '../../catalogue/techniques/step'
import { GROUPS } from '../../face/regions'
import { dwellWindow } from '../../timing/schedule'
import { inOrder, type EventBody, type TreatmentEvent } from '../taps/events'
import { onSkin, restingAt, runningMs } from './clocks'
import { fold, type FoldContext } from './fold'
import { minutes } from '../../units'

const T0 = 1_800_000_000_000
const step = (
  key: string,
  technique: PlanStep['technique'],
  took: number,
  regions = GROUPS.face,
): PlanStep => ({ key, technique, minutes: minutes(took), regions, why: [] })
const STEPS = [
  step('settle-1', 'settle', 2, []),
  step('milk-1', 'milk', 2),
  step('grain-1', 'grain', 1),
  step('clay-1', 'clay', 2, GROUPS.tZone),
  step('stay-1', 'stay', 6, []),
  step('maskOff-1', 'maskOff', 1, GROUPS.tZone),
  step('close-1', 'close', 3, []),
]
const context: FoldContext = {
  plans: { 1: STEPS, 2: STEPS.slice(0, 4) },
  dwellOf: (step) => dwellWindow(step, () => false),
  baseline: { cheekL: 1, nose: 0 },
}
let count = 0
const ev = (
  minute: number,
  body: EventBody,
  more: Partial<TreatmentEvent> = {},
): TreatmentEvent => ({
  id: `e${count++}`,
  at: T0 + minute * 60_000,
  deviceId: 'a',
  seq: count,
  planVersion: 1,
  body,
  ...more,
})
const done = (minute: number, key: string) => ev(minute, { kind: 'stepDone', key, cue: true })

describe('the room as a fold', () => {
  it('walks the plan step by step and rests a mask between on and off', () => {
    const events = [
      ev(0, { kind: 'started' }),
      done(2, 'settle-1'),
      done(4, 'milk-1'),
      done(5, 'grain-1'),
      done(7, 'clay-1'),
      done(15, 'stay-1'),
    ]
    const roomState = fold(events, context)
    expect(roomState.current).toEqual({ key: 'maskOff-1', since: T0 + 15 * 60_000 })
    const clay = roomState.resting[0]
    expect(clay?.endedAt).toBeUndefined()
    expect(clay && restingAt(clay, T0 + 11 * 60_000).word).toBe('working')
    expect(clay && restingAt(clay, T0 + 14 * 60_000).word).toBe('mayComeOff')
    expect(clay && restingAt(clay, T0 + 20 * 60_000).word).toBe('late')
    const off = fold([...events, done(16, 'maskOff-1')], context)
    expect(off.resting[0]?.endedAt).toBe(T0 + 15 * 60_000)
  })
  it("takes a hold out of the step's clock but not out of the mask's", () => {
    const roomState = fold(
      [ev(0, { kind: 'started' }), ev(1, { kind: 'held' }), ev(4, { kind: 'resumed' })],
      context,
    )
    expect(runningMs(roomState, T0 + 5 * 60_000)).toBe(2 * 60_000)
    const held = fold([ev(0, { kind: 'started' }), ev(1, { kind: 'held' })], context)
    expect(runningMs(held, T0 + 9 * 60_000)).toBe(60_000)
  })
  it('ends a step once, whichever tablet tapped first', () => {
    const roomState = fold(
      [
        ev(0, { kind: 'started' }),
        done(2, 'settle-1'),
        { ...done(2.1, 'settle-1'), deviceId: 'b' },
      ],
      context,
    )
    expect(roomState.done.map((step) => [step.key, step.endedAt])).toEqual([
      ['settle-1', T0 + 2 * 60_000],
    ])
  })
  it('keeps skips with their reason, passes by zone, settings, swaps, amounts, notes', () => {
    const roomState = fold(
      [
        ev(0, { kind: 'started' }),
        ev(1, { kind: 'stepSkipped', key: 'settle-1', reason: 'client asked' }),
        ev(2, { kind: 'passDone', key: 'grain-1', region: 'nose' }),
        ev(3, { kind: 'passDone', key: 'grain-1', region: 'nose' }),
        ev(4, { kind: 'settingChanged', key: 'grain-1', setting: 14 }),
        ev(5, { kind: 'productSwapped', key: 'milk-1', productId: 'p2', reason: 'ran out' }),
        ev(6, { kind: 'amountTaken', key: 'milk-1', productId: 'p2', lotId: 'l', millilitres: 3 }),
        ev(7, { kind: 'note', text: 'asleep' }),
      ],
      context,
    )
    expect(roomState.done[0]?.skipped).toBe('client asked')
    expect(roomState.passes['grain-1']).toEqual({ nose: 2 })
    expect(roomState.settings['grain-1']).toBe(14)
    expect(roomState.products['milk-1']?.productId).toBe('p2')
    expect(roomState.taken['milk-1']?.millilitres).toBe(3)
    expect(roomState.notes).toHaveLength(1)
  })
  it('moves to a later version and never back', () => {
    const roomState = fold(
      [
        ev(0, { kind: 'started' }),
        ev(1, { kind: 'replanned', version: 2, reason: 'late' }),
        ev(2, { kind: 'replanned', version: 1, reason: '' }),
      ],
      context,
    )
    expect(roomState.version).toBe(2)
    expect(roomState.replans).toHaveLength(1)
  })
  it('names what lies on the skin when something goes wrong', () => {
    const roomState = fold(
      [ev(0, { kind: 'started' }), done(1, 'settle-1'), done(2, 'milk-1')],
      context,
    )
    expect(onSkin(roomState, context).map((step) => step.key)).toEqual(['milk-1', 'grain-1'])
  })
  it('says nothing runs before the start and after the end', () => {
    expect(runningMs(fold([], context), T0)).toBe(0)
    expect(
      fold([ev(0, { kind: 'started' }), ev(9, { kind: 'finished' })], context).current,
    ).toBeUndefined()
  })
})

describe('what a reaction does', () => {
  it('counts redness from clear skin where nothing was read before', () => {
    const red = (grade: 1 | 2, region: 'cheekL' | 'chin') =>
      fold(
        [ev(0, { kind: 'started' }), ev(1, { kind: 'redness', region, grade, key: 'grain-1' })],
        { ...context, baseline: { chin: 1 } },
      ).reactions[0]?.judgement.act
    expect(red(1, 'cheekL')).toBe('endZone')
    expect(red(1, 'chin')).toBe('keep')
    expect(red(2, 'chin')).toBe('endZone')
  })
  it('ends the step on a zone, or everything, in the fold', () => {
    const roomState = fold(
      [
        ev(0, { kind: 'started' }),
        ev(1, { kind: 'redness', region: 'cheekL', grade: 2, key: 'grain-1' }),
      ],
      context,
    )
    expect(roomState.endedZones['grain-1']).toEqual(['cheekL'])
    expect(
      fold(
        [
          ev(0, { kind: 'started' }),
          ev(1, { kind: 'sign', sign: 'wheals', region: null, key: null }),
        ],
        context,
      ).stopped,
    ).toMatchObject({ callHelp: false })
  })
})

const body: fc.Arbitrary<EventBody> = fc.oneof(
  fc.constantFrom<EventBody>(
    { kind: 'started' },
    { kind: 'held' },
    { kind: 'resumed' },
    { kind: 'finished' },
    { kind: 'note', text: 'x' },
    { kind: 'stopStep', step: 'cooled' },
    { kind: 'stopped', reason: 'hand up' },
  ),
  fc
    .constantFrom(...STEPS.map((step) => step.key))
    .map((key): EventBody => ({ kind: 'stepDone', key, cue: true })),
  fc
    .constantFrom(...STEPS.map((step) => step.key))
    .map((key): EventBody => ({ kind: 'stepSkipped', key, reason: 'r' })),
  fc
    .integer({ min: 2, max: 3 })
    .map((version): EventBody => ({ kind: 'replanned', version, reason: 'r' })),
  fc
    .integer({ min: 0, max: 10 })
    .map((grade): EventBody => ({ kind: 'sensation', grade, region: 'nose', key: 'grain-1' })),
  fc
    .constantFrom<0 | 1 | 2 | 3 | 4>(0, 1, 2, 3, 4)
    .map((grade): EventBody => ({ kind: 'redness', region: 'cheekL', grade, key: 'grain-1' })),
  fc
    .constantFrom('nose' as const, 'chin' as const)
    .map((region): EventBody => ({ kind: 'passDone', key: 'grain-1', region })),
)
const taps = fc
  .array(
    fc.record({
      minute: fc.integer({ min: 0, max: 60 }),
      device: fc.constantFrom('tablet-a', 'tablet-b'),
      body,
    }),
    { maxLength: 25 },
  )
  .map((list) =>
    list.map((item, i): TreatmentEvent => ({
      id: `t${i}`,
      at: T0 + item.minute * 60_000,
      deviceId: item.device,
      seq: i,
      planVersion: 1,
      body: item.body,
    })),
  )

describe('two tablets', () => {
  it('fold to one state, however the taps arrive: late, doubled, out of order', () => {
    fc.assert(
      fc.property(
        taps.chain((list) =>
          fc.tuple(
            fc.constant(list),
            fc.shuffledSubarray(list, { minLength: list.length, maxLength: list.length }),
            fc.subarray(list),
          ),
        ),
        ([list, shuffled, again]) => {
          const one = fold(list, context)
          expect(fold(shuffled, context)).toEqual(one)
          expect(fold([...again, ...shuffled, ...again], context)).toEqual(one)
          expect(inOrder([...shuffled, ...again])).toEqual(inOrder(list))
        },
      ),
      { numRuns: 300 },
    )
  })
  it('stand in one order: by time, then by device, then by count, then by id; doubles once', () => {
    const one = (at: number, deviceId: string, seq: number, id: string): TreatmentEvent => ({
      ...{ at, deviceId, seq, id, planVersion: 1, body: { kind: 'held' } },
    })
    const right = [
      one(1, 'b', 9, 'z'),
      one(2, 'a', 3, 'y'),
      one(2, 'a', 4, 'b'),
      one(2, 'a', 4, 'c'),
      one(2, 'b', 0, 'a'),
      one(3, 'a', 0, 'x'),
    ]
    fc.assert(
      fc.property(fc.shuffledSubarray(right, { minLength: right.length }), (any) => {
        expect(inOrder([...any, ...any])).toEqual(right)
      }),
    )
  })
  it('ends no step twice and counts no clock below zero', () => {
    fc.assert(
      fc.property(taps, (list) => {
        const roomState = fold(list, context)
        expect(new Set(roomState.done.map((step) => step.key)).size).toBe(roomState.done.length)
        for (const step of roomState.done) expect(step.endedAt).toBeGreaterThanOrEqual(step.beganAt)
        for (const resting of roomState.resting)
          if (resting.endedAt !== undefined)
            expect(resting.endedAt).toBeGreaterThanOrEqual(resting.since)
        expect(runningMs(roomState, T0 + 61 * 60_000)).toBeGreaterThanOrEqual(0)
      }),
      { numRuns: 200 },
    )
  })
})
