import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { PlanStep } from '../../catalogue/techniques/step'
import { GROUPS } from '../../face/regions'
import { contextOf, done as doneWith, MINUTE, T0, taps } from '../../testing/room'
import { minutes } from '../../units'
import { runningMs } from './clocks'
import type { EventBody, TreatmentEvent } from '../taps/events'
import { fold } from './fold'

const step = (key: string, technique: PlanStep['technique'], took: number): PlanStep => ({
  key,
  technique,
  minutes: minutes(took),
  regions: technique === 'settle' ? [] : GROUPS.face,
  why: [],
})
const STEPS = [
  step('settle', 'settle', 2),
  step('milk', 'milk', 2),
  step('tip', 'tip', 8),
  step('enzyme', 'enzyme', 1),
  step('off', 'maskOff', 1),
  step('massage', 'massage', 10),
]
const context = contextOf(STEPS, { baseline: { nose: 0 } })
const done = (key: string) => doneWith({ key })
const handsOn = (list: TreatmentEvent[]) =>
  fold(list, context).done.map((own) => (own.endedAt - own.beganAt - own.heldMs) / MINUTE)

describe('a hold', () => {
  it('is counted once: ten minutes with three held are seven', () => {
    const held = taps(
      [0, { kind: 'started' }],
      [2, { kind: 'held' }],
      [5, { kind: 'resumed' }],
      [10, done('settle')],
    )
    expect(handsOn(held)).toEqual([7])
    expect(fold(held, context).heldMs).toBe(3 * MINUTE)
  })
  it('belongs to both steps where it runs on over the end of one', () => {
    const over = taps(
      [0, { kind: 'started' }],
      [1, { kind: 'held' }],
      [3, done('settle')],
      [6, { kind: 'resumed' }],
      [8, done('milk')],
    )
    expect(handsOn(over)).toEqual([1, 2])
    expect(fold(over, context).heldMs).toBe(5 * MINUTE)
    const still = fold(over.slice(0, 3), context)
    expect(runningMs(still, T0 + 9 * MINUTE)).toBe(0)
  })
  it('ends with the visit', () => {
    const open = taps([0, { kind: 'started' }], [1, { kind: 'held' }], [4, { kind: 'finished' }])
    expect(fold(open, context).heldMs).toBe(3 * MINUTE)
    expect(fold(open, context).heldSince).toBeUndefined()
  })
  it('never makes a negative minute: hands and holds are what the clock gave', () => {
    const body = fc.oneof(
      fc.constantFrom<EventBody>({ kind: 'held' }, { kind: 'resumed' }, { kind: 'finished' }),
      fc.constantFrom(...STEPS.map((own) => done(own.key))),
    )
    const history = fc.array(fc.tuple(fc.integer({ min: 0, max: 60 }), body), { maxLength: 20 })
    fc.assert(
      fc.property(history, (list) => {
        const sorted = [...list].sort((one, other) => one[0] - other[0])
        const state = fold(taps([0, { kind: 'started' }], ...sorted), context)
        for (const own of state.done) {
          expect(own.heldMs).toBeGreaterThanOrEqual(0)
          expect(own.endedAt - own.beganAt).toBeGreaterThanOrEqual(own.heldMs)
        }
        const last = state.done.at(-1)
        const walked = state.done.reduce((sum, own) => sum + own.endedAt - own.beganAt, 0)
        expect(walked).toBe(last ? last.endedAt - T0 : 0)
      }),
    )
  })
})

describe('what the rules do not allow, and was done', () => {
  it('a third pass is kept with who made it', () => {
    const pass: EventBody = { kind: 'passDone', key: 'tip', region: 'nose' }
    const state = fold(
      taps([0, { kind: 'started' }], [1, pass], [2, pass], [3, pass, { by: 'Second Hand' }]),
      context,
    )
    expect(state.passes.tip?.nose).toBe(3)
    expect(state.breaches).toEqual([
      { at: T0 + 3 * MINUTE, key: 'tip', what: 'passOver', by: 'Second Hand' },
    ])
  })
  it('work after a stop is kept; taking off is none, nor a calm plan', () => {
    const before: [number, EventBody][] = [
      [0, { kind: 'started' }],
      [5, done('enzyme')],
      [6, { kind: 'stopped', reason: 'burning' }],
      [7, done('off')],
    ]
    expect(fold(taps(...before), context).breaches).toEqual([])
    expect(fold(taps(...before, [9, done('massage')]), context).breaches).toMatchObject([
      { key: 'massage', what: 'afterStop' },
    ])
    const calm: [number, EventBody] = [8, { kind: 'replanned', version: 2, reason: 'calm only' }]
    const two = { ...context, plans: { 1: STEPS, 2: STEPS } }
    expect(fold(taps(...before, calm, [9, done('massage')]), two).breaches).toEqual([])
  })
})

describe('a tap that names nothing', () => {
  it('changes nothing, and is shown', () => {
    const known = taps([0, { kind: 'started' }], [2, done('settle')])
    const strange = taps(
      [0, { kind: 'started' }],
      [1, done('no such step')],
      [1.5, { kind: 'replanned', version: 7, reason: 'late' }],
      [2, done('settle')],
    )
    const { unknown, ...rest } = fold(strange, context)
    const { unknown: none, ...same } = fold(known, context)
    expect(rest).toEqual(same)
    expect(none).toEqual([])
    expect(unknown.map((one) => one.names)).toEqual(['no such step', 'plan 7'])
  })
  it('that ends a step before the visit began is named, and ends nothing', () => {
    const early = fold(taps([0, done('settle')], [1, { kind: 'started' }]), context)
    expect(early.done).toEqual([])
    expect(early.unknown.map(({ names }) => names)).toEqual(['settle before the start'])
  })
})

describe('redness', () => {
  it('under a working enzyme is not gone over, whatever the hands do meanwhile', () => {
    const state = fold(
      taps(
        [0, { kind: 'started' }],
        [1, done('enzyme')],
        [3, { kind: 'redness', region: 'nose', grade: 1, key: 'massage' }],
      ),
      context,
    )
    expect(state.reactions.map((one) => one.judgement.act)).toEqual(['endZone'])
  })
})
