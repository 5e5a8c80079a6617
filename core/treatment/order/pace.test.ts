import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { PlanStep } from '../../catalogue/techniques/step'
import { fold, type FoldContext } from '../fold/fold'
import type { EventBody, TreatmentEvent } from '../taps/events'
import { minutesAhead, minutesLeft, minutesShort } from './pace'
import { minutes } from '../../units'

const MIN = 60_000
const START = 1_800_000_000_000
const step = (key: string, technique: PlanStep['technique'], took: number): PlanStep => ({
  key,
  technique,
  regions: ['forehead'],
  minutes: minutes(took),
  why: [],
})
const steps = [
  step('settle-1', 'settle', 2),
  step('milk-1', 'milk', 4),
  step('close-1', 'close', 3),
]
const context: FoldContext = { plans: { 1: steps }, dwellOf: () => undefined, baseline: {} }
const at = (minute: number, body: EventBody, seq: number): TreatmentEvent => ({
  id: `e${seq}`,
  at: START + minute * MIN,
  deviceId: 'tablet-01',
  seq,
  planVersion: 1,
  body,
})
const room = (...taps: [number, EventBody][]) =>
  fold(
    taps.map(([key, eventBody], i) => at(key, eventBody, i)),
    context,
  )
const slot = { startsAt: START, minutes: 60 }

describe('pace', () => {
  it('is on time while the step at hand runs inside its minutes', () => {
    expect(minutesAhead(room([0, { kind: 'started' }]), steps, START + MIN)).toBe(0)
  })
  it('is behind by what the step at hand overruns', () => {
    expect(minutesAhead(room([0, { kind: 'started' }]), steps, START + 5 * MIN)).toBe(-3)
  })
  it('is ahead by what an earlier step saved', () => {
    expect(
      minutesAhead(
        room([0, { kind: 'started' }], [1, { kind: 'stepDone', key: 'settle-1', cue: true }]),
        steps,
        START + 2 * MIN,
      ),
    ).toBe(1)
  })
  it('falls behind while held', () => {
    expect(
      minutesAhead(room([0, { kind: 'started' }], [1, { kind: 'held' }]), steps, START + 4 * MIN),
    ).toBe(-3)
  })
  it('says nothing before the start', () => {
    expect(minutesAhead(room(), steps, START)).toBe(0)
  })
})

describe('minutes left', () => {
  it('are what is left of the booking', () => {
    expect(minutesLeft(room([0, { kind: 'started' }]), slot, START + 20 * MIN)).toBe(40)
  })
  it('end with the slot when one began late', () => {
    expect(minutesLeft(room([10, { kind: 'started' }]), slot, START + 20 * MIN)).toBe(40)
  })
  it('are those booked where one works outside the slot', () => {
    expect(minutesLeft(room([-120, { kind: 'started' }]), slot, START - 110 * MIN)).toBe(50)
  })
  it('never rise as time goes on inside the slot, and never end below one', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 30 }),
        fc.integer({ min: 0, max: 29 }),
        fc.integer({ min: 0, max: 90 }),
        (began, added, later) => {
          const roomState = room([began, { kind: 'started' }])
          const one = minutesLeft(roomState, slot, START + (began + added) * MIN)
          expect(
            minutesLeft(
              roomState,
              slot,
              Math.min(START + 60 * MIN - 1, START + (began + added + later) * MIN),
            ),
          ).toBeLessThanOrEqual(one)
          expect(minutesLeft(roomState, slot, START + 500 * MIN)).toBe(1)
        },
      ),
    )
  })
})

describe('what does not fit any more', () => {
  const short = { startsAt: START, minutes: 10 }
  it('is nothing for a start on time', () => {
    expect(minutesShort(room([0, { kind: 'started' }]), steps, short, START)).toBe(0)
  })
  it('is nothing within the first minutes of a plan that fills its slot', () => {
    const filled = { startsAt: START, minutes: steps.reduce((sum, step) => sum + step.minutes, 0) }
    for (const seconds of [1, 20, 59, 61])
      expect(
        minutesShort(room([0, { kind: 'started' }]), steps, filled, START + seconds * 1000),
      ).toBe(0)
  })
  it('is nothing before the start and where no step is left', () => {
    expect(minutesShort(room(), [], short, START + 500 * MIN)).toBe(0)
    expect(minutesShort(room([0, { kind: 'started' }]), [], short, START + 500 * MIN)).toBe(0)
  })
  it('shows a late start at once', () => {
    expect(minutesShort(room([4, { kind: 'started' }]), steps, short, START + 4 * MIN)).toBe(3)
  })
  it('grows while held and goes when a step is left out', () => {
    expect(
      minutesShort(
        room([0, { kind: 'started' }], [1, { kind: 'held' }]),
        steps,
        short,
        START + 5 * MIN,
      ),
    ).toBe(3)
    expect(
      minutesShort(
        room(
          [4, { kind: 'started' }],
          [4, { kind: 'stepSkipped', key: 'settle-1', reason: 'no time left' }],
          [4, { kind: 'stepSkipped', key: 'milk-1', reason: 'no time left' }],
        ),
        steps,
        short,
        START + 4 * MIN,
      ),
    ).toBe(0)
  })
})
