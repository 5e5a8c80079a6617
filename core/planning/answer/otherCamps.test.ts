import { describe, expect, it } from 'vitest'
import { POINTS } from '../../catalogue/schools/camps'
import { methodOf, NO_POLICY } from '../../catalogue/schools/schools'
import { isMain, shortName } from '../../catalogue/techniques/traits'
import { planInput, readAll, RESILIENT } from '../../testing/fixtures'
import { otherCamps } from './otherCamps'
import { propose } from './propose'

describe('where schools differ', () => {
  const input = planInput({
    aims: ['dehydration', 'rest', 'congestion'],
    readings: readAll({ ...RESILIENT, water: 1 }),
    slotMinutes: 75,
  })
  const found = otherCamps(input)
  it('says of each other camp of each point what it would do to this plan', () => {
    expect(found.map((one) => one.point)).toEqual(POINTS.map((point) => point.id))
    for (const [i, { camps }] of POINTS.entries())
      expect(found[i]?.others).toHaveLength(camps.length - 1)
    for (const camp of found.flatMap((one) => one.others)) expect(camp.change).not.toBe('')
  })
  it('names a step that comes or goes, and says where nothing does', () => {
    const words = found.flatMap((one) => one.others.map((camp) => camp.change))
    expect(words.some((change) => /^[+−]/.test(change))).toBe(true)
    expect(words.some((change) => change.startsWith('no other step'))).toBe(true)
  })
  it('is the plan that the house would make if it changed its camp', () => {
    const own = propose(input)
    const { camps } = methodOf(input.school, NO_POLICY)
    for (const { point, now, others } of found) {
      expect(now).toBe(camps[point].sentence)
      for (const { id, change } of others) {
        const other = propose({ ...input, policy: { camps: { [point]: id }, without: [] } })
        const came = other.steps.filter(
          ({ technique }) =>
            isMain(technique) && !own.steps.some((step) => step.technique === technique),
        )
        for (const { technique } of came)
          expect(change).toContain(`+ ${shortName(technique).toLowerCase()}`)
        if (other.minutes !== own.minutes) expect(change).toMatch(/min (longer|shorter)/)
      }
    }
  })
})
