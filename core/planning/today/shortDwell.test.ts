import { describe, expect, it } from 'vitest'
import { allNo, planInput, product, readAll, RESILIENT, TODAY } from '../../testing/fixtures'
import { trace } from '../steps/trace'
import type { PlanStep } from '../../catalogue/techniques/step'
import { propose } from '../answer/propose'
import { checkPlan } from '../checks/check'
import type { PlanInput } from '../input'
import { dwellWindow } from '../../timing/schedule'
import { minutes } from '../../units'
import { shortDwell } from './adapt'

const STEP = {
  key: 'one',
  technique: 'creamMask' as const,
  regions: ['forehead' as const],
  minutes: minutes(2),
  why: [],
}
const MASK = { ...STEP, productId: 'creamMask' }
const HYDRATING = { ...STEP, technique: 'hydratingMask' as const, productId: 'hydratingMask' }

/** The latest minute of a mask on this client. */
const latest = (input: PlanInput): number => dwellWindow(MASK, shortDwell(input)(MASK))?.latest ?? 0

describe('dwell at the short end', () => {
  const calm = planInput({ aims: ['dehydration', 'rest'], readings: readAll(RESILIENT) })
  it('at the first use of a product on this client, and not the next time', () => {
    const short = (usedBefore: string[]) =>
      shortDwell({ ...calm, usedBefore })(HYDRATING)('forehead')
    expect(short([])).toBe(true)
    expect(short(['hydratingMask'])).toBe(false)
    expect(latest({ ...calm, usedBefore: [] })).toBeLessThan(latest(calm))
  })
  it('after something was taken off at home the same day', () => {
    const answers = allNo({ homeScrub: { say: 'yes', date: TODAY } })
    expect(shortDwell({ ...calm, answers })(HYDRATING)('chin')).toBe(true)
    const earlier = allNo({ homeScrub: { say: 'yes', date: '2026-03-01' } })
    expect(shortDwell({ ...calm, answers: earlier })(HYDRATING)('chin')).toBe(false)
  })
  it('after something was taken off earlier in the visit, and not before it', () => {
    const grain = { ...STEP, key: 'grain', technique: 'grain' as const }
    const after = (steps: PlanStep[]) => shortDwell(calm, steps)(HYDRATING)('forehead')
    expect(after([grain, HYDRATING])).toBe(true)
    expect(after([HYDRATING, grain])).toBe(false)
    expect(shortDwell(calm, [{ ...grain, key: 'other' }, grain])(grain)('forehead')).toBe(false)
  })
  it('and the plan keeps to it: rests longer only where nothing was taken off', () => {
    const dull = { ...RESILIENT, dullness: 4, texture: 3 } as const
    const input = planInput({
      aims: ['dullness', 'dehydration'],
      wanted: ['grain', 'creamMask'],
      readings: readAll(dull),
      slotMinutes: 90,
    })
    const { steps } = propose(input)
    const seen = trace(input, steps)
    const mask = seen.schedule.resting.find(({ technique }) => technique === 'creamMask')
    expect(seen.exfoliations.length).toBeGreaterThan(0)
    expect((mask?.end ?? 99) - (mask?.start ?? 0)).toBeLessThanOrEqual(15)
    const longer = steps.map((step) =>
      seen.exfoliations.includes(step.key) ? { ...step, technique: 'rinse' as const } : step,
    )
    expect(trace(input, longer).schedule.resting.find(({ key }) => key === mask?.key)?.latest).toBe(
      20,
    )
  })
  it('serves: a resurfacing mask of five to ten minutes on sensitive skin that bore its patch test', () => {
    const input = (sensitivity: 1 | 2 | 3, patch: PlanInput['patch'] = {}) => ({
      ...planInput({
        aims: ['dullness', 'marks'],
        wanted: ['resurfacingMask'],
        readings: readAll({ ...RESILIENT, texture: 3, sensitivity }),
        slotMinutes: 90,
      }),
      patch,
    })
    const rested = (own: PlanInput) => {
      const { resting } = trace(own, propose(own).steps).schedule
      return resting.find(({ technique }) => technique === 'resurfacingMask')
    }
    const mask = rested(input(2))
    expect(mask && mask.end - mask.start).toBeGreaterThanOrEqual(5)
    expect(mask && mask.end - mask.start).toBeLessThanOrEqual(10)
    // Very sensitive, or its patch test not read yet: not at all.
    expect(rested(input(3))).toBeUndefined()
    expect(rested(input(2, { resurfacingMask: 'not read yet' }))).toBeUndefined()
  })
  it('never makes a plan that the checker objects to', () => {
    for (const usedBefore of [[], ['hydratingMask'], ['clay', 'creamMask']]) {
      const input = { ...calm, usedBefore }
      expect(
        checkPlan(input, propose(input).steps).findings.filter((own) => own.strength !== 'advise'),
      ).toEqual([])
    }
  })
  it('a lip scrub raises no finding of its own', () => {
    const input = planInput({ aims: ['rest'], wanted: ['lipScrub'], slotMinutes: 75 })
    const { steps } = propose(input)
    const scrub = steps.find((step) => step.technique === 'lipScrub')
    expect(scrub).toBeDefined()
    expect(checkPlan(input, steps).findings.filter((own) => own.key === scrub?.key)).toEqual([])
    expect(product('lipScrub', 'one').kind).toBe('lipScrub')
  })
})
