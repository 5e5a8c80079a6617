import { describe, expect, it } from 'vitest'
import type { PlanStep } from '../../catalogue/techniques/step'
import { minutes } from '../../units'
import { fold } from '../fold/fold'
import type { EventBody, TreatmentEvent } from '../taps/events'
import { askedBeforeDone } from './beforeDone'

const MINUTE = 60_000
const step = (technique: PlanStep['technique'], more: Partial<PlanStep> = {}): PlanStep => ({
  ...{ key: technique, technique, regions: ['cheekL', 'cheekR'], minutes: minutes(2), why: [] },
  ...more,
})
const TIP = step('tip', { passes: 1 })
const CLAY = step('clay')
const OFF = step('maskOff')
const WINDOW = { earliest: minutes(5), latest: minutes(10), late: 'rewet' as const }
const room = (steps: readonly PlanStep[], ...bodies: [number, EventBody][]) =>
  fold(
    bodies.map(([minute, body], seq): TreatmentEvent => ({
      ...{ id: `e${seq}`, at: minute * MINUTE, deviceId: 'device-1', seq, planVersion: 1 },
      body,
    })),
    {
      plans: { 1: steps },
      dwellOf: (own) => (own.technique === 'clay' ? WINDOW : undefined),
      baseline: {},
    },
  )
const pass = (region: 'cheekL' | 'cheekR'): EventBody => ({ kind: 'passDone', key: 'tip', region })

describe('what is asked once before a step ends', () => {
  it('nothing, where every zone was done alike', () => {
    const state = room([TIP], [0, { kind: 'started' }], [1, pass('cheekL')], [2, pass('cheekR')])
    expect(askedBeforeDone(state, [TIP], TIP, 3 * MINUTE)).toEqual([])
  })
  it('a zone that was left out, where others were done', () => {
    const state = room([TIP], [0, { kind: 'started' }], [1, pass('cheekL')])
    const said = askedBeforeDone(state, [TIP], TIP, 3 * MINUTE).join(' ')
    expect(said).toMatch(/cheek/)
    expect(said).not.toContain('object')
  })
  it('nothing of zones, where the step counts none', () => {
    const state = room([OFF], [0, { kind: 'started' }])
    expect(askedBeforeDone(state, [OFF], OFF, MINUTE)).toEqual([])
  })
  it.each([
    [3, ['3 min to its earliest']],
    [7, []],
  ])('a mask that would come off %d minutes after it went on', (minute, wanted) => {
    const steps = [CLAY, OFF]
    const done: EventBody = { kind: 'stepDone', key: 'clay', cue: true }
    const state = room(steps, [0, { kind: 'started' }], [1, done])
    const said = askedBeforeDone(state, steps, OFF, minute * MINUTE)
    expect(said).toHaveLength(wanted.length)
    for (const [at, words] of wanted.entries()) expect(said[at]).toContain(words)
  })
})
