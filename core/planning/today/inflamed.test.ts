import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { GROUPS } from '../../face/regions'
import { TECHNIQUE_IDS, TECHNIQUES } from '../../catalogue/techniques/techniques'
import { ZONES, type RegionId, type ZoneId } from '../../face/zones'
import type { FamilyId } from '../../catalogue/kinds'
import { screen } from '../../screening/verdict/verdict'
import type { Grade } from '../../skin/readings'
import { allNo, planInput, readAll, RESILIENT, TODAY } from '../../testing/fixtures'
import { propose } from '../answer/propose'
import { checkPlan } from '../checks/check'
import { usualStep } from '../../testing/steps'
import { allowance } from './allowed'

const regionOf = (zone: ZoneId): RegionId => ZONES[zone].regions[0] ?? 'mouth'

/**
 * From the trade's rule: over pustules nothing rubs, presses, pulls, heats or spreads, and nothing is
 * extracted; told and not read, they count as pustules (common practice).
 */
const NOT_OVER: readonly FamilyId[] = [
  'extraction',
  'ultrasound',
  'friction',
  'abrasion',
  'vacuum',
  'needling',
  'blade',
  'massage',
]
const harsh = TECHNIQUE_IDS.filter((id) =>
  TECHNIQUES[id].families.some((family) => NOT_OVER.includes(family)),
)
const where = fc.constantFrom<ZoneId>('jawL', 'chin', 'cheekL', 'cheekR', 'nose', 'forehead')
const grade = fc.integer({ min: 0, max: 3 }) as fc.Arbitrary<Grade>

/** Told to be inflamed there; nobody has read how badly. */
function told(zones: readonly ZoneId[], oil: Grade = 2, congestion: Grade = 3) {
  const answers = allNo({ inflamedAcne: { say: 'yes', zones } })
  return planInput({
    readings: readAll({ ...RESILIENT, oil, congestion }),
    answers,
    verdict: screen(answers, TODAY),
    aims: ['congestion', 'breakouts'],
    slotMinutes: 75,
  })
}

describe('inflamed spots that were told and not read', () => {
  it('carry no extraction, no spatula and nothing that rubs, in any plan', () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(where, { minLength: 1, maxLength: 3 }),
        grade,
        grade,
        (zones, oil, congestion) => {
          const spots = zones.map(regionOf)
          const plan = propose(told(zones, oil, congestion))
          for (const { technique, regions } of plan.steps)
            if (harsh.includes(technique))
              expect(
                regions.filter((region) => spots.includes(region)),
                technique,
              ).toEqual([])
        },
      ),
      { numRuns: 25 },
    )
  })
  it('are found under a step put there by hand', () => {
    const input = told(['jawL'])
    const jaw: RegionId = regionOf('jawL')
    for (const id of ['extraction', 'spatula', 'grain', 'massage'] as const) {
      expect(allowance(id, input).barred.has(jaw), id).toBe(true)
      const by = [...propose(input).steps, usualStep(id, { regions: [...GROUPS.faceNoEyes] })]
      const { findings } = checkPlan(input, by)
      expect(
        findings.map(({ rule }) => rule),
        id,
      ).toContain('inflamed-local')
    }
  })
  it('are steamed by nobody: warmth reaches the whole face', () => {
    expect(propose(told(['jawL'])).steps.map(({ technique }) => technique)).not.toContain('steam')
  })
})
