import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { ABSORBED_GRADES } from '../../catalogue/products/watering'
import type { PlanStep } from '../../catalogue/techniques/step'
import { doseOf, layerWords, secondLayer } from '../../dosing/layers'
import { GROUPS } from '../../face/regions'
import { REGION_IDS } from '../../face/zones'
import { product } from '../../testing/fixtures'
import { dwellWindow } from '../../timing/schedule'
import { minutes } from '../../units'
import { absorbedOf, thirstyNow } from './absorption'
import type { EventBody, TreatmentEvent } from '../taps/events'
import { fold, type FoldContext } from '../fold/fold'

const T0 = 1_800_000_000_000
const step = (key: string, technique: PlanStep['technique']): PlanStep => ({
  key,
  technique,
  minutes: minutes(2),
  regions: GROUPS.face,
  why: [],
})
const STEPS = [
  step('milk', 'milk'),
  step('mask', 'hydratingMask'),
  step('hands', 'massage'),
  step('off', 'maskOff'),
  step('cream', 'moisturiser'),
]
const context: FoldContext = {
  plans: { 1: STEPS },
  dwellOf: (own) => dwellWindow(own, () => false),
  baseline: {},
}
const taps = (...bodies: EventBody[]): TreatmentEvent[] =>
  bodies.map((body, seq) => ({
    id: `tap-${seq}`,
    at: T0 + seq * 60_000,
    deviceId: 'a',
    seq,
    planVersion: 1,
    body,
  }))
const done = (key: string): EventBody => ({ kind: 'stepDone', key, cue: true })
const after = (...keys: string[]) => fold(taps({ kind: 'started' }, ...keys.map(done)), context)
const drank = (key: string, region: (typeof REGION_IDS)[number], grade: 0 | 1 | 2 | 3) =>
  ({ kind: 'absorbed', key, region, grade }) as const

describe('which zones drank it', () => {
  it('is asked once the mask is off, not while it lies, and never of a wash', () => {
    expect(absorbedOf(after('milk'), STEPS)).toBeUndefined()
    expect(absorbedOf(after('milk', 'mask', 'hands'), STEPS)).toBeUndefined()
    expect(absorbedOf(after('milk', 'mask', 'hands', 'off'), STEPS)?.key).toBe('mask')
    expect(absorbedOf(after('milk', 'mask', 'hands', 'off', 'cream'), STEPS)?.key).toBe('cream')
  })
  it('counts by the latest tap, today before last time, and a tap on nothing says nothing', () => {
    const plans = [{ steps: STEPS }]
    const events = taps(
      drank('mask', 'cheekL', 3),
      drank('mask', 'cheekR', 3),
      drank('mask', 'cheekR', 1),
      drank('mask', 'chin', 0),
      drank('gone', 'nose', 3),
    )
    expect(thirstyNow(events, plans, [])).toEqual(['cheekL'])
    expect(thirstyNow(events, plans, ['chin', 'forehead', 'cheekR'])).toEqual([
      'forehead',
      'cheekL',
    ])
    expect(fold(events, context).absorbed).toEqual({ mask: { cheekL: 3, cheekR: 1, chin: 0 } })
  })
  it('comes out the same however often and in whatever order the taps arrive', () => {
    const one = fc.record({
      region: fc.constantFrom(...REGION_IDS),
      grade: fc.constantFrom(...ABSORBED_GRADES),
    })
    fc.assert(
      fc.property(fc.array(one, { maxLength: 12 }), fc.infiniteStream(fc.nat()), (list, order) => {
        const events = taps(...list.map(({ region, grade }) => drank('mask', region, grade)))
        const mixed = [...events, ...events].sort(
          () => Number(order.next().value) - Number(order.next().value),
        )
        const plans = [{ steps: STEPS }]
        expect(thirstyNow(mixed, plans, ['neck'])).toEqual(thirstyNow(events, plans, ['neck']))
      }),
    )
  })
})

describe('a second layer', () => {
  const cream = product('moisturiser', 'cream', {
    dispenser: { kind: 'pump', millilitres: 0.2 },
  })
  it('goes where a zone is thirsty: never more than two, never under what one layer takes', () => {
    fc.assert(
      fc.property(fc.subarray([...REGION_IDS]), (thirsty) => {
        const once = doseOf({ regions: GROUPS.face }, cream, {})
        const own = doseOf({ regions: GROUPS.face }, cream, { thirsty })
        expect(own.grams).toBeGreaterThanOrEqual(once.grams)
        expect(own.count).toBeLessThanOrEqual(2 * once.count + 1)
      }),
    )
    const whole = doseOf({ regions: GROUPS.face }, cream, { thirsty: REGION_IDS })
    const exact = doseOf({ regions: GROUPS.face }, cream, {})
    expect(whole.grams / exact.grams).toBeGreaterThan(1.5)
  })
  it('is said by name, and nothing that washes, seals against sun or steers is doubled', () => {
    const on = { thirsty: ['cheekL', 'cheekR'] as const }
    expect(layerWords({ regions: GROUPS.face }, cream, on)).toBe('a second layer on cheeks')
    for (const kind of ['milk', 'sunProtection', 'acidMask', 'peelSolution', 'toner'] as const)
      expect(secondLayer({ regions: GROUPS.face }, { kind }, on)).toEqual([])
  })
})
