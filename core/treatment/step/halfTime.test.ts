import * as fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { GROUPS } from '../../face/regions'
import type { Side } from '../../face/sides'
import { contextOf, STARTED, T0, taps as tapsAt, type TapAt } from '../../testing/room'
import { usualStep } from '../../testing/steps'
import { minutes } from '../../units'
import { askedBeforeDone } from '../order/beforeDone'
import type { EventBody, TreatmentEvent } from '../taps/events'
import { fold } from '../fold/fold'
import { canSplit, halfRecord, halfTimesNow, halfWords, timedAlike } from './halfTime'

const SECOND = 1000
const massage = usualStep('toningMassage', {
  key: 'massage',
  minutes: minutes(8),
  regions: GROUPS.face,
})
const context = contextOf([massage, usualStep('close', { key: 'close' })])
/** Taps at these seconds of a visit that has begun. */
const taps = (...list: [number, EventBody][]): TreatmentEvent[] =>
  tapsAt(STARTED, ...list.map(([second, body]): TapAt => [second / 60, body]))
const to = (side: Side | null): EventBody => ({ kind: 'side', key: 'massage', side })
const at = (second: number, ...list: [number, EventBody][]) =>
  halfTimesNow(fold(taps(...list), context), 'massage', T0 + second * SECOND)

describe('half against half', () => {
  it('times one side, then the other, and takes holds out', () => {
    expect(at(60, [10, to('L')])).toEqual({ L: 50 * SECOND, R: 0, running: 'L' })
    const both: [number, EventBody][] = [
      [10, to('L')],
      [40, { kind: 'held' }],
      [100, { kind: 'resumed' }],
      [130, to('R')],
    ]
    expect(at(150, ...both)).toEqual({ L: 60 * SECOND, R: 20 * SECOND, running: 'R' })
    expect(at(500, ...both, [190, to(null)])).toEqual({
      L: 60 * SECOND,
      R: 60 * SECOND,
      running: null,
    })
  })
  it('equals counting second by second, whatever is tapped', () => {
    const tap = fc.record({
      gap: fc.integer({ min: 0, max: 90 }),
      what: fc.constantFrom('L', 'R', 'none', 'hold'),
    })
    fc.assert(
      fc.property(fc.array(tap, { maxLength: 12 }), (list) => {
        let second = 0
        let held = false
        const events: [number, EventBody][] = list.map(({ gap, what }) => {
          second += gap
          if (what === 'hold') held = !held
          const side = what === 'L' || what === 'R' ? what : null
          return [second, what === 'hold' ? { kind: held ? 'held' : 'resumed' } : to(side)]
        })
        const until = second + 30
        // The reckoning of an outsider with a stop-watch in each hand.
        const watch = { L: 0, R: 0 }
        let on: Side | null = null
        let waits = false
        let next = 0
        for (let now = 0; now < until; now++) {
          for (; next < events.length && (events[next]?.[0] ?? 0) <= now; next++) {
            const body = events[next]?.[1]
            if (body?.kind === 'side') on = body.side
            if (body?.kind === 'held') waits = true
            if (body?.kind === 'resumed') waits = false
          }
          if (on && !waits) watch[on] += SECOND
        }
        const { L, R } = at(until, ...events)
        expect({ L, R }).toEqual(watch)
      }),
    )
  })
  it('ends with its step, and stands in the record; a step taken back is timed on', () => {
    const list: [number, EventBody][] = [
      [0, to('L')],
      [120, to('R')],
      [180, { kind: 'stepDone', key: 'massage', cue: true }],
      [400, to('L')],
    ]
    const state = fold(taps(...list), context)
    expect(halfRecord(state.sides.massage)).toBe('left 2 min, right 1 min: not timed alike')
    expect(halfRecord(undefined)).toBeUndefined()
    const back = fold(
      taps(...list.slice(0, 3), [200, { kind: 'takenBack', key: 'massage' }]),
      context,
    )
    expect(halfTimesNow(back, 'massage', T0 + 240 * SECOND).R).toBe(120 * SECOND)
  })
  it('is said before the step ends where one side had less; within half a minute it is alike', () => {
    const asked = (right: number) =>
      askedBeforeDone(
        fold(taps([0, to('L')], [120, to('R')], [120 + right, to(null)]), context),
        [massage],
        massage,
        T0 + 400 * SECOND,
      ).filter((words) => words.includes('less time'))
    expect(asked(60)).toEqual(['The right side had less time.'])
    expect(asked(100)).toEqual([])
    expect(timedAlike({ L: 0, R: 0, running: null })).toBe(true)
  })
  it('says what the hand does now', () => {
    const say = (times: Parameters<typeof halfWords>[1]) => halfWords(massage, times, 'ring lamp')
    expect(say({ L: 0, R: 0, running: null })).toMatch(/One side first/)
    expect(say({ L: 60_000, R: 0, running: 'L' })).toBe('left side: 3:00 more.')
    expect(say({ L: 240_000, R: 0, running: 'L' })).toMatch(/now the right side/)
    expect(say({ L: 200_000, R: 60_000, running: 'R' })).toBe('right side: 2:20 more.')
    expect(say({ L: 200_000, R: 200_000, running: null })).toBe(
      'Timed alike: compare both sides now, ring lamp.',
    )
    expect(say({ L: 200_000, R: 20_000, running: null })).toMatch(/right side is behind/)
  })
  it('is for whatever goes over zones with a left and a right, each by itself', () => {
    // Forehead, nose, mouth, chin and neck have two halves; a cheek or a jaw is one.
    for (const region of ['forehead', 'nose', 'mouth', 'chin', 'neck', 'temples'] as const)
      expect(canSplit({ ...massage, regions: [region] }), region).toBe(true)
    for (const region of ['cheekL', 'jawR'] as const)
      expect(canSplit({ ...massage, regions: [region] }), region).toBe(false)
    expect(canSplit({ ...massage, regions: ['cheekL', 'cheekR'] })).toBe(true)
    for (const id of ['milk', 'grain', 'clay', 'tip', 'acidMask'] as const)
      expect(canSplit(usualStep(id)), id).toBe(true)
    expect(canSplit(usualStep('eyesOff'))).toBe(false)
    expect(canSplit(usualStep('wait'))).toBe(false)
    expect(canSplit(usualStep('steam'))).toBe(false)
  })
  it('is written down of a step in which one side alone was timed', () => {
    expect(halfRecord([{ side: 'L', ran: 0 }])).toBe('left 0 min, right 0 min')
    expect(halfRecord([])).toBeUndefined()
  })
})
