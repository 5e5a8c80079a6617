import { describe, expect, it } from 'vitest'
import { allNo, planInput, product, readAll, RESILIENT, TODAY } from '../../testing/fixtures'
import { propose } from '../answer/propose'
import { checkPlan } from '../checks/check'
import type { PlanInput } from '../input'
import { dwellWindow } from '../../timing/schedule'
import { minutes } from '../../units'
import { shortDwell } from './adapt'

/** The latest minute of a mask on this client. */
const latest = (input: PlanInput): number => {
  const step = {
    key: 'one',
    technique: 'creamMask' as const,
    regions: ['forehead' as const],
    minutes: minutes(2),
    productId: 'creamMask',
    why: [],
  }
  return dwellWindow(step, shortDwell(input)(step))?.latest ?? 0
}

describe('dwell at the short end', () => {
  const calm = planInput({ aims: ['dehydration', 'rest'], readings: readAll(RESILIENT) })
  it('at the first use of a product on this client, and not the next time', () => {
    const short = (usedBefore: string[]) =>
      shortDwell({ ...calm, usedBefore })({ productId: 'hydratingMask' })('forehead')
    expect(short([])).toBe(true)
    expect(short(['hydratingMask'])).toBe(false)
    expect(latest({ ...calm, usedBefore: [] })).toBeLessThan(latest(calm))
  })
  it('after something was taken off at home the same day', () => {
    const answers = allNo({ homeScrub: { say: 'yes', date: TODAY } })
    expect(shortDwell({ ...calm, answers })({ productId: 'hydratingMask' })('chin')).toBe(true)
    const earlier = allNo({ homeScrub: { say: 'yes', date: '2026-03-01' } })
    expect(shortDwell({ ...calm, answers: earlier })({ productId: 'hydratingMask' })('chin')).toBe(
      false,
    )
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
