import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { PlanStep } from '../catalogue/techniques/step'
import type { FamilyId } from '../catalogue/kinds'
import { REST_INTERVALS } from '../catalogue/rules/restIntervals'
import { TECHNIQUES, TECHNIQUE_IDS } from '../catalogue/techniques/techniques'
import { THICKNESS } from '../catalogue/rules/tolerance'
import { planInput } from '../testing/fixtures'
import { dwellWindow } from '../timing/schedule'
import { fold } from '../treatment/fold/fold'
import type { EventBody, TreatmentEvent } from '../treatment/taps/events'
import { minutes } from '../units'
import { loadsDone } from './doneLoads'
import { rushedThrough } from './rushed'
import { workOf } from './work'

const T0 = 1_800_000_000_000
const MINUTE = 60_000
const step = (
  key: string,
  technique: PlanStep['technique'],
  took: number,
  more: Partial<PlanStep> = {},
): PlanStep => ({ key, technique, minutes: minutes(took), regions: ['chin'], why: [], ...more })
const STEPS = [
  step('cleanse', 'spatula', 2, { regions: ['chin', 'nose'] }),
  step('tip', 'tip', 8, { passes: 1, regions: ['chin', 'nose'] }),
  step('clay', 'clay', 2, { regions: ['chin', 'nose'] }),
  step('off', 'maskOff', 1, { regions: ['chin', 'nose'] }),
]
const context = {
  plans: { 1: STEPS },
  dwellOf: (own: PlanStep) => dwellWindow(own, () => false),
  baseline: { chin: 0, nose: 0 } as const,
}
const taps = (...list: [number, EventBody][]): TreatmentEvent[] =>
  list.map(([minute, body], seq) => ({
    id: `tap-${seq}`,
    at: T0 + minute * MINUTE,
    deviceId: 'a',
    seq,
    planVersion: 1,
    body,
  }))
const done = (key: string): EventBody => ({ kind: 'stepDone', key, cue: true })
const input = planInput()
const poured = (...list: [number, EventBody][]) =>
  loadsDone(input, STEPS, fold(taps([0, { kind: 'started' }], ...list), context))

describe('how a visit was taken', () => {
  const takenAfter = (told: 'well' | undefined, ...list: [number, EventBody][]) =>
    workOf(
      input,
      STEPS,
      fold(taps([0, { kind: 'started' }], ...list, [20, done('cleanse')]), context),
      told,
    ).taken
  it('badly by any single sign of the room, whatever is said at its end', () => {
    for (const sign of [
      { kind: 'stopped', reason: 'a hand up' },
      { kind: 'sensation', region: 'chin', grade: 7, key: null },
    ] as const)
      expect(takenAfter('well', [3, sign]), sign.kind).toBe('badly')
  })
  it('well where it is said, and not from silence', () => {
    expect(takenAfter('well')).toBe('well')
    expect(takenAfter(undefined)).toBeUndefined()
    expect(
      takenAfter('well', [3, { kind: 'sensation', region: 'chin', grade: 2, key: null }]),
    ).toBe('well')
  })
})

describe('what was done is poured into the ledger', () => {
  it('a bottle that has gone from the shelf pours nothing of its own', () => {
    const gone = [{ ...(STEPS[0] as PlanStep), productId: 'gone' }]
    const state = fold(taps([0, { kind: 'started' }], [2, done('cleanse')]), {
      ...context,
      plans: { 1: gone },
    })
    expect(loadsDone(input, gone, state)).toEqual(poured([2, done('cleanse')]))
  })
  it('minutes as they were, with holds taken out', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 12 }), fc.integer({ min: 0, max: 9 }), (work, held) => {
        const sum = poured(
          [work / 2, { kind: 'held' }],
          [work / 2 + held, { kind: 'resumed' }],
          [work + held, done('cleanse')],
        )
        const rate = TECHNIQUES.spatula.load?.hundredths ?? 0
        expect(sum.chin).toBe(Math.ceil((rate * work * THICKNESS.chin) / 100 - 1e-9))
      }),
    )
  })
  it('passes as tapped on each zone, not as planned', () => {
    const pass = (region: 'chin' | 'nose'): EventBody => ({ kind: 'passDone', key: 'tip', region })
    const one = poured([1, done('cleanse')], [8, done('tip')])
    const two = poured([1, done('cleanse')], [2, pass('chin')], [3, pass('chin')], [8, done('tip')])
    const cleansed = poured([1, done('cleanse')])
    expect(two.chin - cleansed.chin).toBe(2 * (one.chin - cleansed.chin))
    expect(two.nose).toBe(cleansed.nose)
  })
  it('a mask until it came off, a zone that was ended until then', () => {
    const rate = TECHNIQUES.clay.load?.hundredths ?? 0
    const rested = (mins: number, region: 'chin' | 'nose') =>
      Math.ceil((rate * Math.sqrt(mins) * THICKNESS[region]) / 100 - 1e-9)
    const red: EventBody = { kind: 'redness', region: 'chin', grade: 1, key: 'clay' }
    const enzyme = STEPS.slice(2).map((own) =>
      own.key === 'clay' ? { ...own, technique: 'enzyme' as const } : own,
    )
    expect(poured([2, done('clay')], [22, { kind: 'finished' }]).nose).toBe(rested(20, 'nose'))
    expect(poured([2, done('clay')], [11, done('off')]).chin).toBe(0)
    const overran = fold(
      taps([0, { kind: 'started' }], [2, done('clay')], [6, red], [10, { kind: 'finished' }]),
      { ...context, plans: { 1: enzyme } },
    )
    expect(overran.endedZones.clay).toEqual(['chin'])
    const loads = loadsDone(input, enzyme, overran)
    const per = TECHNIQUES.enzyme.load?.hundredths ?? 0
    expect(loads.chin).toBe(Math.ceil((per * Math.sqrt(4) * THICKNESS.chin) / 100 - 1e-9))
    expect(loads.nose).toBe(Math.ceil((per * Math.sqrt(8) * THICKNESS.nose) / 100 - 1e-9))
  })
  it('what was skipped pours nothing; what was only tapped through counts as planned', () => {
    const skipped = poured([1, { kind: 'stepSkipped', key: 'cleanse', reason: 'asked' }])
    expect(skipped.chin).toBe(0)
    const rushed = fold(
      taps([0, { kind: 'started' }], [0.1, done('cleanse')], [0.2, done('tip')]),
      context,
    )
    expect(rushedThrough(rushed, STEPS)).toEqual({ clock: expect.closeTo(0.2), planned: 10 })
    const timed = fold(taps([0, { kind: 'started' }], [2, done('cleanse')]), context)
    expect(rushedThrough(timed, STEPS)).toBeUndefined()
    const planned = workOf(input, STEPS.slice(0, 2), rushed).loads.chin ?? 0
    expect(planned).toBeGreaterThan((TECHNIQUES.tip.load?.hundredths ?? 0) / 2)
    expect(planned).toBeGreaterThan(loadsDone(input, STEPS, timed).chin)
  })
})

describe('what a visit asked of the skin', () => {
  const rests = (family: FamilyId) =>
    REST_INTERVALS.some((restInterval) => restInterval.after.includes(family))
  it('its zones are remembered wherever any family of the work asks for rest', () => {
    fc.assert(
      fc.property(fc.constantFrom(...TECHNIQUE_IDS), (technique) => {
        const own = step('own', technique, 3, { regions: ['forehead'] })
        const state = fold(taps([0, { kind: 'started' }], [3, done('own')]), {
          ...context,
          plans: { 1: [own] },
        })
        const { regions } = workOf(input, [own], state)
        const asks = TECHNIQUES[technique].families.some(rests)
        expect(regions).toEqual(asks ? ['forehead'] : [])
      }),
    )
  })
})
