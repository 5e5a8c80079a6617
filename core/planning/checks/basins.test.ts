import { describe, expect, it } from 'vitest'
import { planInput, readAll, RESILIENT } from '../../testing/fixtures'
import { propose } from '../answer/propose'
import { REGION_IDS } from '../../face/zones'
import { basinOf } from './basins'
import { checkPlan } from './check'

describe('the basin of a zone', () => {
  const input = planInput({
    school: 'brightLamp',
    aims: ['dullness'],
    readings: readAll({ ...RESILIENT, texture: 3 }),
  })
  const { steps } = propose(input)
  const check = checkPlan(input, steps)
  it('fills by what each step pours, and holds in the end what the whole plan asks', () => {
    for (const region of REGION_IDS) {
      const levels = [...steps.keys(), steps.length].map(
        (count) => basinOf(input, check, region, count).today,
      )
      expect(levels).toEqual([...levels].sort((one, other) => one - other))
      expect(levels[0]).toBe(0)
      expect(input.residual[region] + (levels.at(-1) ?? 0)).toBe(check.trace.totals[region])
    }
    expect(basinOf(input, check, 'forehead').today).toBeGreaterThan(0)
  })
})
