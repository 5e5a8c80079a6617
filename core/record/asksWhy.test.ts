import { describe, expect, it } from 'vitest'
import { fold } from '../treatment/fold/fold'
import { usualStep } from '../testing/steps'
import { MINUTE_MS } from '../units'
import type { PlanStep } from '../catalogue/techniques/step'
import type { EventBody } from '../treatment/taps/events'
import { buildRecord } from './build'

const mask = usualStep('hydratingMask', { key: 'mask' })
const off = usualStep('maskOff', { key: 'off' })
const tip = usualStep('tip', { key: 'tip', setting: 2 })
const sun = usualStep('sunProtection', { key: 'sun' })
const massage = usualStep('massage', { key: 'massage' })
const cream = usualStep('moisturiser', { key: 'cream' })
const PLAN: readonly PlanStep[] = [tip, mask, massage, off, cream, sun]
const LATEST = 12

/** The record of taps at minutes of the visit. */
const draftOf = (taps: readonly (readonly [number, EventBody])[], daylight = true) => {
  const events = taps.map(([minute, body], no) => ({
    id: `tap-${no}`,
    at: minute * MINUTE_MS,
    deviceId: 'tablet',
    seq: no,
    planVersion: 1,
    body,
  }))
  const context = {
    plans: { 1: PLAN },
    dwellOf: (step: PlanStep) =>
      step.key === 'mask' ? { earliest: 8, latest: LATEST, needsAttention: false } : undefined,
    baseline: {},
  }
  const state = fold(events, context as Parameters<typeof fold>[1])
  return buildRecord({
    state,
    daylight,
    firstPlan: PLAN,
    lastPlan: PLAN,
    done: PLAN.filter(({ key }) => state.done.some((one) => one.key === key)),
    shelf: [],
    dose: { faceSize: { height: 19, width: 14 } },
    lotOf: () => null,
    alongOf: () => [],
  })
}
const recordOf = (...of: Parameters<typeof draftOf>) => draftOf(...of).lines
const asked = (...of: Parameters<typeof recordOf>) =>
  recordOf(...of).flatMap(({ key, asksWhy }) => (asksWhy ? [key] : []))
const done = (key: string): EventBody => ({ kind: 'stepDone', key, cue: true })
/** A visit as planned, its mask off after so many minutes. */
const visit = (rest: number, ...more: (readonly [number, EventBody])[]) =>
  [
    [0, { kind: 'started' }] as const,
    ...more,
    [tip.minutes, done('tip')] as const,
    [tip.minutes + 2, done('mask')] as const,
    [tip.minutes + 2 + rest, done('massage')] as const,
    [tip.minutes + 3 + rest, done('off')] as const,
    [tip.minutes + 4 + rest, done('cream')] as const,
    [tip.minutes + 6 + rest, done('sun')] as const,
    [tip.minutes + 7 + rest, { kind: 'finished' }] as const,
  ] as readonly (readonly [number, EventBody])[]

describe('a reason is asked where a colleague would ask for one', () => {
  it('and for nothing that went as planned, or a minute over', () => {
    expect(asked(visit(10))).toEqual([])
    expect(asked(visit(9, [1, { kind: 'note', text: 'warm hands' }]))).toEqual([])
  })
  it('a mask beyond its latest minute', () => {
    expect(asked(visit(LATEST + 4))).toEqual(['mask'])
  })
  it('a level above the plan, not one below it', () => {
    const turned = (setting: number) =>
      visit(10, [1, { kind: 'settingChanged', key: 'tip', setting }])
    expect(asked(turned(3))).toEqual(['tip'])
    expect(asked(turned(1))).toEqual([])
  })
  it('work after a stop, once for all of it', () => {
    // In the middle of the tip; the mask and the massage after it are two steps of work.
    const stopped = visit(10, [1, { kind: 'stopped', reason: 'hand up' }])
    expect(asked(stopped)).toEqual(['mask'])
  })
  it('by day without sun protection, however it was left out without a word', () => {
    const without = visit(10).filter(([, body]) => !('key' in body && body.key === 'sun'))
    expect(asked(without)).toEqual(['sun'])
    expect(asked(without, false)).toEqual([])
    const end = without.at(-1) ?? ([0, { kind: 'finished' }] as const)
    const skipped = [
      ...without.slice(0, -1),
      [end[0], { kind: 'stepSkipped', key: 'sun', reason: 'client asked' }] as const,
      end,
    ]
    expect(asked(skipped)).toEqual([])
  })
  it('and what was said stands on the record, as it was said last', () => {
    const said = recordOf([
      ...visit(LATEST + 4),
      [60, { kind: 'reasonGiven', key: 'mask', reason: 'by mistake' }],
      [61, { kind: 'reasonGiven', key: 'mask', reason: 'tapped late' }],
    ])
    expect(said.some(({ asksWhy }) => asksWhy)).toBe(false)
    expect(said.find(({ key }) => key === 'mask')?.deviation).toMatch(/because: tapped late$/)
  })
})

describe('a rest within its window', () => {
  const deviation = (rest: number) =>
    recordOf(visit(rest)).find(({ key }) => key === 'mask')?.deviation ?? null
  it('is none at its first and its last minute, and one before and after them', () => {
    expect(deviation(8)).toBeNull()
    expect(deviation(LATEST)).toBeNull()
    expect(deviation(7)).toBe('rested 7 min, earliest 8')
    expect(deviation(LATEST + 1)).toBe('rested 13 min, latest 12')
  })
})

describe('the minutes of a whole visit', () => {
  it('are known once it has begun and ended, and not before', () => {
    const whole = visit(10)
    expect(draftOf([]).startedAt).toBeNull()
    expect(draftOf(whole.slice(0, -1))).toMatchObject({ finishedAt: null, actualMinutes: null })
    const last = whole.at(-1)?.[0] ?? 0
    expect(draftOf(whole)).toMatchObject({
      startedAt: new Date(0).toISOString(),
      finishedAt: new Date(last * MINUTE_MS).toISOString(),
      actualMinutes: last,
      plannedMinutes: PLAN.reduce((sum, step) => sum + step.minutes, 0),
    })
  })
})
