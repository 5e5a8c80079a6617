import { describe, expect, it } from 'vitest'
import type { PlanStep } from '../catalogue/techniques/step'
import { TECHNIQUES } from '../catalogue/techniques/techniques'
import type { TreatmentEvent } from '../treatment/taps/events'
import { fold } from '../treatment/fold/fold'
import { minutes } from '../units'
import { buildRecord } from './build'

const step: PlanStep = {
  key: 'hf',
  technique: 'highFrequency',
  regions: ['chin'],
  minutes: minutes(3),
  why: [],
}
const tap = (no: number, body: TreatmentEvent['body']): TreatmentEvent => ({
  id: `tap-${no}`,
  at: no * 1000,
  deviceId: 'tablet',
  seq: no,
  planVersion: 1,
  body,
})

describe('what was seen to before a step', () => {
  const own = `technique-${step.technique}`
  const context = {
    plans: { 1: [step] },
    dwellOf: () => undefined,
    confirmsOf: () => ['piercing-out', own],
    baseline: {},
  }
  const lineAfter = (rules: string[], of: PlanStep = step) => {
    const events = [
      tap(1, { kind: 'started' }),
      ...(rules.length > 0 ? [tap(2, { kind: 'confirmed', key: 'hf', rules })] : []),
      tap(200, { kind: 'stepDone', key: 'hf', cue: true }),
    ]
    return buildRecord({
      state: fold(events, { ...context, plans: { 1: [of] } }),
      firstPlan: [of],
      lastPlan: [of],
      done: [of],
      shelf: [],
      dose: { faceSize: { height: 19, width: 14 } },
      lotOf: () => null,
      alongOf: () => [],
    }).lines[0]
  }
  it('stands in the record in the words it was asked in', () => {
    const confirmed = lineAfter([own])?.confirmed ?? []
    expect(confirmed).toEqual(TECHNIQUES.highFrequency.confirm)
    expect(confirmed.length).toBeGreaterThan(0)
  })
  it('with what the practice asks of its own way', () => {
    const mine: PlanStep = {
      ...step,
      own: {
        ...{ id: 'way-1', name: 'Soft current', from: 'highFrequency', usual: false },
        ...{ never: [], confirm: 'Hair tied back' },
      },
    }
    expect(lineAfter([own], mine)?.confirmed).toEqual([
      ...(TECHNIQUES.highFrequency.confirm ?? []),
      'Hair tied back',
    ])
  })
  it('and what was not, as done without it', () => {
    expect(lineAfter([])?.confirmed).toBeUndefined()
    expect(lineAfter([])?.deviation).toContain('without confirming')
    expect(lineAfter([own])?.deviation).toContain('without confirming')
  })
})

describe('what a record takes from single taps', () => {
  const mask: PlanStep = { ...step, key: 'lamp', technique: 'redLamp' }
  const written = (...bodies: TreatmentEvent['body'][]) => {
    const events = [
      tap(1, { kind: 'started' }),
      ...bodies.map((body, i) => tap(2 + i, body)),
      tap(200, { kind: 'stepDone', key: 'lamp', cue: true }),
    ]
    return buildRecord({
      state: fold(events, { plans: { 1: [mask] }, dwellOf: () => undefined, baseline: {} }),
      firstPlan: [mask],
      lastPlan: [mask],
      done: [mask],
      shelf: [],
      dose: {},
      lotOf: () => null,
      alongOf: () => [],
    })
  }
  it('one level that the device said itself, one tap that names nothing', () => {
    expect(
      written({ kind: 'deviceSaid', key: 'lamp', level: 30, fault: null }).lines[0]?.deviceLevel,
    ).toBe(30)
    expect(written().lines[0]?.deviceLevel).toBeUndefined()
    expect(written({ kind: 'takenBack', key: 'nowhere' }).unknown).toHaveLength(1)
    expect(written().unknown).toBeUndefined()
  })
})
