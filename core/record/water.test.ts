import { describe, expect, it } from 'vitest'
import { fold } from '../treatment/fold/fold'
import { usualStep } from '../testing/steps'
import type { TreatmentEvent } from '../treatment/taps/events'
import { buildRecord } from './build'
import { countedWords } from './countedWords'

const oil = usualStep('oilCleanse', { key: 'oil' })
const tap = (no: number, body: TreatmentEvent['body']): TreatmentEvent => ({
  id: `tap-${no}`,
  at: no * 1000,
  deviceId: 'tablet',
  seq: no,
  planVersion: 1,
  body,
})
const lineAfter = (waters: number, step = oil) => {
  const events = [
    tap(1, { kind: 'started' }),
    ...Array.from({ length: waters }, (_, i) =>
      tap(2 + i, { kind: 'counted', key: 'oil', region: null, by: 1 }),
    ),
    tap(400, { kind: 'stepDone', key: 'oil', cue: true }),
  ]
  const context = { plans: { 1: [step] }, dwellOf: () => undefined, baseline: {} }
  return buildRecord({
    state: fold(events, context),
    firstPlan: [step],
    lastPlan: [step],
    done: [step],
    shelf: [],
    dose: { faceSize: { height: 19, width: 14 } },
    lotOf: () => null,
    alongOf: () => [],
  }).lines[0]
}

describe('water that was counted', () => {
  it('stands in the record as often as it was added, and in its words', () => {
    for (const waters of [1, 7]) expect(lineAfter(waters)?.water).toBe(waters)
    expect(lineAfter(0)?.water).toBeUndefined()
    // Of anything else that is counted there is no water on the record.
    expect(lineAfter(3, usualStep('tip', { key: 'oil' }))?.water).toBeUndefined()
    expect(countedWords({ water: 7 })).toBe('water added 7 times')
  })
})
