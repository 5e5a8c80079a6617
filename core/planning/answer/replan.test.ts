import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { CONCERN_IDS } from '../../catalogue/kinds'
import { SCHOOL_IDS } from '../../catalogue/schools/schools'
import type { PlanStep } from '../../catalogue/techniques/step'
import { TECHNIQUES } from '../../catalogue/techniques/techniques'
import { planInput, readAll } from '../../testing/fixtures'
import { takesOff } from '../../timing/removal'
import { checkPlan } from '../checks/check'
import type { PlanInput } from '../input'
import { trace } from '../steps/trace'
import type { Grade } from '../../skin/readings'
import { propose } from './propose'
import { untouchable } from './replan'
import { atLeastLooked } from '../../testing/looked'

const RUNS = process.env.OAK_FULL ? Number(process.env.OAK_RUNS ?? 500) : 30
const grade = (most: number) => fc.integer({ min: 0, max: most }) as fc.Arbitrary<Grade>
const client = fc.record({
  oil: grade(4),
  water: grade(4),
  congestion: grade(4),
  redness: grade(1),
  sensitivity: grade(2),
  school: fc.constantFrom(...SCHOOL_IDS),
  slot: fc.integer({ min: 45, max: 90 }),
  aims: fc.uniqueArray(fc.constantFrom(...CONCERN_IDS), { minLength: 1, maxLength: 4 }),
})

/** What lies on the skin after some steps of a plan: laid, and not yet taken off. */
const restingAfter = (done: readonly PlanStep[]): PlanStep[] =>
  done.filter(
    (step, i) =>
      TECHNIQUES[step.technique].dwell !== undefined &&
      !done
        .slice(i + 1)
        .some(
          (later) =>
            takesOff(later.technique, step.technique) &&
            later.regions.some((region) => step.regions.includes(region)),
        ),
  )
const stopsOf = (input: PlanInput, steps: readonly PlanStep[]) =>
  checkPlan(input, steps)
    .findings.filter((finding) => finding.strength === 'stop')
    .map((finding) => `${finding.rule} ${finding.text}`)
/** Steps that take product off a zone. */
const WASHES = ['rinse', 'secondCleanse', 'tone', 'maskOff', 'oilCleanse']

describe('a new plan in the middle of a visit', () => {
  it('keeps what rests to its own removal, washes off nothing that stays, finds nothing new', () => {
    let replanned = 0
    let resting = 0
    fc.assert(
      fc.property(client, fc.nat(), fc.integer({ min: -10, max: 15 }), (who, moment, more) => {
        const { oil, water, congestion, redness, sensitivity, school, slot, aims } = who
        const readings = readAll({ oil, water, congestion, redness, sensitivity })
        const input = planInput({ readings, school, aims, slotMinutes: slot })
        const { steps, failed } = propose(input)
        if (failed || steps.length < 4) return
        const done = steps.slice(0, 1 + (moment % (steps.length - 2)))
        const laid = restingAfter(done)
        const kept = untouchable(
          steps,
          done,
          laid.map((step) => step.key),
        )
        const now = { ...input, slotMinutes: Math.max(slot + more, 1) }
        const again = propose(now, kept)
        if (again.failed) return
        replanned++
        if (laid.length > 0) resting++
        // What is done stands, what rests runs its own course.
        expect(again.steps.slice(0, kept.length)).toEqual(kept)
        const course = trace(now, again.steps).schedule.resting
        for (const step of laid) {
          const was = trace(input, steps).schedule.resting.find((one) => one.key === step.key)
          const is = course.find((one) => one.key === step.key)
          expect(is?.end).toBe(was?.end)
        }
        // No leave-on that was had is washed off again.
        const seen = trace(now, again.steps)
        again.steps.slice(kept.length).forEach((step, i) => {
          const before = seen.states[kept.length + i]?.before
          if (before && WASHES.includes(step.technique))
            expect(step.regions.filter((region) => before[region].layer > 0)).toEqual([])
        })
        const already = new Set(stopsOf(now, [...steps]))
        expect(stopsOf(now, again.steps).filter((one) => !already.has(one))).toEqual([])
      }),
      { numRuns: RUNS },
    )
    expect(replanned).toBeGreaterThanOrEqual(atLeastLooked(RUNS / 2))
    expect(resting).toBeGreaterThanOrEqual(atLeastLooked(1))
  })
  it('lets a second mask that is laid before the first is off come off its own way', () => {
    const dry = { oil: 1, water: 1, congestion: 0, redness: 0, sensitivity: 0 } as const
    const oily = { ...dry, oil: 3 } as const
    const readings = readAll(dry, { forehead: oily, nose: oily, chin: oily })
    const aims = ['shine', 'dehydration'] as const
    const input = planInput({ readings, school: 'brightLamp', aims, slotMinutes: 69 })
    const { steps } = propose(input)
    const first = steps.findIndex((step) => TECHNIQUES[step.technique].dwell !== undefined)
    const done = steps.slice(0, first + 1)
    const kept = untouchable(steps, done, [steps[first]?.key ?? ''])
    const { resting } = trace(input, kept).schedule
    expect(resting.length).toBeGreaterThan(1)
    expect(resting.filter((own) => !own.removed)).toEqual([])
  })
  it('puts a removal in where the plan has lost it', () => {
    const input = planInput({ aims: ['dehydration'], slotMinutes: 75 })
    const { steps } = propose({ ...input, wanted: ['hydratingMask'] })
    const on = steps.findIndex((step) => step.technique === 'hydratingMask')
    const done = steps.slice(0, on + 1)
    const key = steps[on]?.key ?? ''
    const lost = steps.filter((step) => !takesOff(step.technique, 'hydratingMask'))
    const kept = untouchable(lost, done, [key])
    expect(kept.at(-1)?.technique).toBe('maskOff')
    expect(kept.at(-1)?.regions).toEqual(steps[on]?.regions)
  })
})
