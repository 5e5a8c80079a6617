import { countTrouble, zoneCountOf } from '../step/counting'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { TECHNIQUES } from '../../catalogue/techniques/techniques'
import type { PlanStep } from '../../catalogue/techniques/step'
import { planInput, readAll, RESILIENT } from '../../testing/fixtures'
import { minutes } from '../../units'
import { comfortAt, dialOf, restingNow, turned } from './atHand'
import { suspectBottles } from '../stop/suspects'
import { fold } from '../fold/fold'
import type { EventBody, TreatmentEvent } from '../taps/events'

const step = (technique: PlanStep['technique'], more: Partial<PlanStep> = {}): PlanStep => ({
  key: `${technique}-1`,
  technique,
  regions: ['forehead', 'nose'],
  minutes: minutes(5),
  why: [],
  ...more,
})
const MINUTE = 60_000
const after = (steps: readonly PlanStep[], bodies: readonly [number, EventBody][]) =>
  fold(
    bodies.map(([minute, body], seq): TreatmentEvent => ({
      id: `e${seq}`,
      at: minute * MINUTE,
      deviceId: 'device-1',
      seq,
      planVersion: 1,
      body,
    })),
    {
      plans: { 1: steps },
      dwellOf: (own) => (own.technique === 'clay' ? CLAY_WINDOW : undefined),
      baseline: {},
    },
  )
const CLAY_WINDOW = { earliest: minutes(5), latest: minutes(10), late: 'rewet' as const }

describe('what the step at hand asks for', () => {
  it('says a wish where it matters, and silence everywhere', () => {
    const likes = { talk: 'quiet', pressure: 'firm' }
    expect(comfortAt(likes, 'massage').length).toBeGreaterThan(comfortAt(likes, 'tone').length)
    expect(comfortAt(likes, 'tone')).not.toBe('')
    expect(comfortAt({}, 'massage')).toBe('')
  })
  it('suspects the bottle that was used, the latest on the skin first, and forgets none', () => {
    const steps = [
      step('milk', { productId: 'milk' }),
      step('serum', { productId: 'serum' }),
      step('moisturiser', { productId: 'planned' }),
    ]
    const bodies: [number, EventBody][] = [
      [0, { kind: 'started' }],
      [2, { kind: 'stepDone', key: 'milk-1', cue: true }],
      [4, { kind: 'stepDone', key: 'serum-1', cue: true }],
      [5, { kind: 'productSwapped', key: 'moisturiser-1', productId: 'swapped', reason: '' }],
    ]
    const context = { plans: { 1: steps }, dwellOf: () => undefined, baseline: {} }
    expect(suspectBottles(after(steps, bodies), context)).toEqual(['swapped', 'serum', 'milk'])
    const skipped: [number, EventBody] = [
      6,
      { kind: 'stepSkipped', key: 'moisturiser-1', reason: '' },
    ]
    expect(suspectBottles(after(steps, [...bodies, skipped]), context)).not.toContain('planned')
  })
  it('names what rests and leaves out what is off', () => {
    const steps = [step('clay'), step('maskOff')]
    const on = after(steps, [
      [0, { kind: 'started' }],
      [2, { kind: 'stepDone', key: 'clay-1', cue: true }],
    ])
    expect(restingNow(on, steps, 4 * MINUTE)).toMatchObject([
      { name: 'Setting clay', ms: 2 * MINUTE, word: 'working' },
    ])
    const off = after(steps, [
      [0, { kind: 'started' }],
      [2, { kind: 'stepDone', key: 'clay-1', cue: true }],
      [10, { kind: 'stepDone', key: 'maskOff-1', cue: true }],
    ])
    expect(restingNow(off, steps, 11 * MINUTE)).toEqual([])
  })
  it('counts passes up to the plan, and never past the limit', () => {
    const tip = step('tip', { passes: 1 })
    const state = after(
      [tip],
      [
        [0, { kind: 'started' }],
        [1, { kind: 'passDone', key: 'tip-1', region: 'nose' }],
      ],
    )
    const passes = zoneCountOf(state, tip)
    if (!passes) throw new Error('passes of the tip are counted')
    expect(countTrouble(passes, 'forehead')).toBeUndefined()
    expect(countTrouble(passes, 'nose')).toBe('1 planned here: enough.')
    expect(countTrouble({ ...passes, least: 2, done: { nose: 2 } }, 'nose')).toBe(
      'Never a third pass here.',
    )
    expect(countTrouble({ ...passes, least: 5, done: { nose: 2 } }, 'nose')).toContain('Never')
  })
  it('turns a dial only inside the range for this client', () => {
    const tip = step('tip')
    const state = after([tip], [[0, { kind: 'started' }]])
    const dial = dialOf(state, tip, planInput({ readings: readAll(RESILIENT) }))
    if (!dial) throw new Error('the tip has a dial')
    fc.assert(
      fc.property(fc.integer({ min: -200, max: 200 }), (notches) => {
        const to = turned(dial, notches)
        return to >= dial.least && to <= dial.most
      }),
    )
    const tender = dialOf(
      state,
      tip,
      planInput({ readings: readAll({ ...RESILIENT, sensitivity: 3 }) }),
    )
    expect(tender?.most).toBeLessThan(dial.most)
    expect(dialOf(state, step('tone'), planInput())).toBeUndefined()
  })
  it('knows a limit for each technique that has passes', () => {
    for (const technique of Object.values(TECHNIQUES))
      if (technique.passes) expect(technique.passes.limit).toBeGreaterThan(0)
  })
})

describe('what rests on the face', () => {
  const rested = (technique: PlanStep['technique']) => {
    const mask = step(technique)
    const state = fold(
      [
        [0, { kind: 'started' } as EventBody],
        [2, { kind: 'stepDone', key: mask.key, cue: true } as EventBody],
      ].map(([minute, body], seq) => ({
        id: `r${seq}`,
        at: Number(minute) * MINUTE,
        deviceId: 'device-1',
        seq,
        planVersion: 1,
        body: body as EventBody,
      })),
      { plans: { 1: [mask] }, dwellOf: () => CLAY_WINDOW, baseline: {} },
    )
    return { mask, state }
  }
  it('asks for silence where its technique does, and only there', () => {
    const hard = rested('hardeningMask')
    expect(restingNow(hard.state, [hard.mask], 5 * MINUTE)[0]?.quiet).toBe(true)
    const clay = rested('clay')
    expect(restingNow(clay.state, [clay.mask], 5 * MINUTE)[0]?.quiet).toBe(false)
    // Of a step that no plan knows any more.
    expect(restingNow(clay.state, [], 5 * MINUTE)[0]).toMatchObject({ quiet: false, cue: '' })
  })
})
