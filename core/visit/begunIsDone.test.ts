import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { REST_INTERVALS } from '../catalogue/rules/restIntervals'
import type { PlanStep } from '../catalogue/techniques/step'
import { TECHNIQUES, type TechniqueId } from '../catalogue/techniques/techniques'
import type { SealedWork } from '../record/work'
import { planAfterStop } from '../planning/answer/stopPlan'
import { untouchable } from '../planning/answer/replan'
import { restBars } from '../load/rest'
import { visitBundle } from '../testing/bundle'
import { TODAY } from '../testing/fixtures'
import { at, done, STARTED, taps, type TapAt } from '../testing/room'
import { usualStep } from '../testing/steps'
import type { TreatmentEvent } from '../treatment/taps/events'
import { fold } from '../treatment/fold/fold'
import { suspectBottles, suspectedWords, suspectWork } from '../treatment/stop/suspects'
import { AFTER_STOP } from '../treatment/stop/stop'
import type { PlanVersion, VisitBundle } from './bundle'
import { toPlanInput } from './planInput'
import { foldContext } from './roomContext'
import { readParts, recordParts, stepsDone } from './record'

const STRONG: readonly TechniqueId[] = ['tip', 'crystals', 'grain', 'acidMask', 'enzyme', 'blade']
const version = (number: number, steps: PlanStep[], reason = ''): PlanVersion => ({
  version: number,
  steps,
  reason,
  countersignedBy: null,
  unseen: false,
  protocol: null,
})
const stateOf = (bundle: VisitBundle) =>
  fold(bundle.events, foldContext(bundle, toPlanInput(bundle)))
const later = (events: TreatmentEvent[], ...more: TapAt[]): TreatmentEvent[] => {
  const all = taps(...more).map((event, i) => ({
    ...event,
    id: `later-${events.length + i}`,
    seq: events.length + i,
  }))
  return [...events, ...all]
}
const partsOf = (bundle: VisitBundle) => {
  const parts = recordParts(bundle, '')
  const work = parts.find(({ name }) => name === 'work')?.content as unknown as SealedWork
  return { ...readParts(parts), work }
}

/** Stopped in the middle of a step, then calm only, as the room does it. */
function stoppedIn(
  technique: TechniqueId,
  minute: number,
  counted: readonly ('chin' | 'cheekR')[],
) {
  const cleanse = usualStep('milk', { key: 'milk-1' })
  const own = usualStep(technique, { key: `${technique}-2`, regions: ['chin', 'cheekR', 'nose'] })
  const close = usualStep('close', { key: 'close-3', regions: [] })
  const first = visitBundle({
    plans: [version(1, [cleanse, own, close])],
    events: taps(
      STARTED,
      [2, done(cleanse)],
      [2, { kind: 'confirmed', key: own.key, rules: [`technique-${technique}`] }],
      ...counted.map((region, i): TapAt => [
        2 + (minute * (i + 1)) / 4,
        { kind: 'passDone', key: own.key, region },
      ]),
      [2 + minute, { kind: 'sensation', grade: 7, region: 'chin', key: own.key }],
      [3 + minute, { kind: 'stopStep', step: 'removed' }],
    ),
  })
  const calm = planAfterStop(toPlanInput(first), stepsDone(first, stateOf(first)))
  const bundle: VisitBundle = {
    ...first,
    plans: [...first.plans, version(2, calm, AFTER_STOP)],
    events: later(first.events, [
      4 + minute,
      { kind: 'replanned', version: 2, reason: AFTER_STOP },
    ]),
  }
  const over = calm.slice(2)
  const events = over.reduce(
    (sum, step, i) => later(sum, [5 + minute + i, done(step)]),
    bundle.events,
  )
  return { own, bundle: { ...bundle, events: later(events, [20 + minute, { kind: 'finished' }]) } }
}

describe('what had begun is done, whatever comes instead', () => {
  it('a stop leaves the work that caused it in record, past, load and card', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...STRONG),
        fc.integer({ min: 1, max: 8 }),
        (technique, minute) => {
          const { own, bundle } = stoppedIn(technique, minute, [])
          const { treatment, work, aftercare } = partsOf(bundle)
          const line = treatment?.lines.find(({ key }) => key === own.key)
          expect(line?.actualMinutes).toBe(minute)
          expect(line?.deviation).toContain('stopped')
          expect(work.techniques).toContain(technique)
          expect(work.taken).toBe('badly')
          for (const family of TECHNIQUES[technique].families)
            expect(work.families).toContain(family)
          // Whatever asks for rest after it bars it on the next day.
          const rests = REST_INTERVALS.filter(({ after }) =>
            after.some((family) => TECHNIQUES[technique].families.includes(family)),
          )
          const bars = restBars([{ day: TODAY, ...work }], '2026-03-11').map(({ rule }) => rule)
          for (const rest of rests.filter(({ days }) => days > 1)) expect(bars).toContain(rest.id)
          expect(aftercare.length).toBeGreaterThan(0)
        },
      ),
    )
  })
  it('with its passes, level and zones: what was counted is where it was done', () => {
    const { own, bundle } = stoppedIn('tip', 4, ['chin', 'cheekR'])
    const { treatment, work } = partsOf(bundle)
    const line = treatment?.lines.find(({ key }) => key === own.key)
    expect(line).toMatchObject({ passes: 1, counted: { chin: 1, cheekR: 1 }, setting: 12 })
    expect(line?.zones).not.toContain('nose')
    expect(work.regions.filter((region) => region === 'nose')).toEqual([])
    expect(work.loads.chin ?? 0).toBeGreaterThan(100)
    expect(work.loads.cheekR ?? 0).toBeGreaterThan(100)
    // Milk pours next to nothing: the nose had no pass of the tip.
    expect(work.loads.nose ?? 0).toBeLessThan(100)
  })
  it('a mask that stung while it was laid was on the skin until it was taken off', () => {
    const { own, bundle } = stoppedIn('acidMask', 3, [])
    const line = partsOf(bundle).treatment?.lines.find(({ key }) => key === own.key)
    expect(line?.dwellMinutes).toBe(1)
  })
  it('what was only on screen for a moment was not begun', () => {
    const tip = usualStep('tip', { key: 'tip-1' })
    const bundle = visitBundle({
      plans: [version(1, [tip])],
      events: taps(STARTED, [0.2, { kind: 'stopped', reason: 'cough' }]),
    })
    expect(stateOf(bundle).done).toEqual([])
  })
  it('another plan of the rest keeps it, or it ends there and counts', () => {
    const tip = usualStep('tip', { key: 'tip-1' })
    const close = usualStep('close', { key: 'close-2', regions: [] })
    const pass: TapAt = [3, { kind: 'passDone', key: 'tip-1', region: 'chin' }]
    const replanned: TapAt = [4, { kind: 'replanned', version: 2, reason: 'late' }]
    const dropped = visitBundle({
      plans: [version(1, [tip, close]), version(2, [close])],
      events: taps(STARTED, pass, replanned, [5, done(close)], [6, { kind: 'finished' }]),
    })
    const { treatment, work } = partsOf(dropped)
    expect(treatment?.lines.find(({ key }) => key === 'tip-1')).toMatchObject({
      actualMinutes: 4,
      counted: { chin: 1 },
    })
    expect(work.families).toContain('abrasion')
    // The room itself keeps it at hand.
    expect(untouchable([tip, close], [], [], tip)[0]).toEqual(tip)
  })
  it('skipped after it had begun, taken back and skipped: it stays', () => {
    const tip = usualStep('tip', { key: 'tip-1' })
    const close = usualStep('close', { key: 'close-2', regions: [] })
    const skip: TapAt = [6, { kind: 'stepSkipped', key: 'tip-1', reason: 'client asked' }]
    const counted: TapAt = [2, { kind: 'passDone', key: 'tip-1', region: 'nose' }]
    const plans = [version(1, [tip, close])]
    for (const events of [
      taps(STARTED, counted, skip),
      taps(STARTED, counted, [4, done(tip)], [5, { kind: 'takenBack', key: 'tip-1' }], skip),
    ]) {
      const bundle = visitBundle({ plans, events: later(events, [9, { kind: 'finished' }]) })
      const { treatment, work } = partsOf(bundle)
      const line = treatment?.lines.find(({ key }) => key === 'tip-1')
      expect(line?.actualMinutes).toBe(6)
      expect(line?.deviation).toContain('broken off: client asked')
      expect(work.regions).toContain('nose')
    }
    const untouched = visitBundle({ plans, events: taps(STARTED, skip) })
    expect(stateOf(untouched).done[0]?.skipped).toBe('client asked')
  })
  it('the same taps in any order of arrival are the same record', () => {
    const { bundle } = stoppedIn('tip', 4, ['chin'])
    const whole = recordParts(bundle, '')
    fc.assert(
      fc.property(
        fc.shuffledSubarray(bundle.events, { minLength: bundle.events.length }),
        (mixed) => {
          expect(recordParts({ ...bundle, events: mixed }, '')).toEqual(whole)
        },
      ),
      { numRuns: 20 },
    )
  })
  it('begins no step by clock while it waits for what must be seen to', () => {
    const hf = usualStep('highFrequency', { key: 'highFrequency-1' })
    const bundle = visitBundle({
      plans: [version(1, [hf])],
      events: taps(STARTED, [9, { kind: 'stopped', reason: 'cough' }]),
    })
    expect(stateOf(bundle).done).toEqual([])
    expect(at(9)).toBeGreaterThan(at(0))
  })
})

describe('what is suspected after a stop', () => {
  it('may be the tool, its level or a warmth, as well as a bottle', () => {
    const { own, bundle } = stoppedIn('tip', 3, [])
    const context = foldContext(bundle, toPlanInput(bundle))
    const state = fold(bundle.events, context)
    const words = suspectWork(state, context).map(suspectedWords)
    expect(words).toContain('Diamond tip')
    expect(words).toContain('Diamond tip: vacuum 12 kPa')
    expect(suspectBottles(state, context)).toContain('milk')
    const warm = usualStep('warmTowel', { key: 'warmTowel-1' })
    const heated = visitBundle({
      plans: [version(1, [warm, own])],
      events: taps(STARTED, [1, done(warm)], [2, { kind: 'stopped', reason: 'hot' }]),
    })
    const heatedContext = foldContext(heated, toPlanInput(heated))
    const all = suspectWork(fold(heated.events, heatedContext), heatedContext).map(suspectedWords)
    expect(all).toContain('Warm towel: warmth')
  })
})
