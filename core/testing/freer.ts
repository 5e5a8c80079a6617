import { expect } from 'vitest'
import { TECHNIQUE_IDS, type TechniqueId } from '../catalogue/techniques/techniques'
import type { RegionId } from '../face/zones'
import { propose } from '../planning/answer/propose'
import { checkPlan } from '../planning/checks/check'
import type { PlanInput } from '../planning/input'
import { RegionSets } from '../planning/question/regionSets'
import { allowances } from '../planning/today/allowed'

/**
 * Where each technique may be done on one skin: what is barred there is left out, so on a freer
 * skin it may be left out too.
 */
function zonesOffered(input: PlanInput): NonNullable<PlanInput['alsoOn']> {
  const allow = allowances(input)
  const sets = new RegionSets(input)
  const beside = (technique: TechniqueId): RegionId[][] => {
    const at = ['clay', 'freshMask'].includes(technique)
      ? 0
      : ['hydratingMask', 'creamMask'].includes(technique)
        ? 1
        : -1
    return at < 0
      ? []
      : sets
          .byZone(
            at === 0
              ? [allow(technique), allow('hydratingMask')]
              : [allow('clay'), allow(technique)],
          )
          .map((way) => way.sets[at] ?? [])
  }
  return Object.fromEntries(
    TECHNIQUE_IDS.map((technique) => [
      technique,
      [
        ...sets.of(allow(technique)).map((regionSet) => regionSet.regions),
        ...beside(technique),
      ].filter((regions) => regions.length > 0),
    ]),
  )
}

/**
 * The first is at least as free as the second: its best is no worse, and what is planned for the
 * second may be done on the first.
 */
export function freer(one: PlanInput, other: PlanInput): void {
  const pb = propose(other)
  if (pb.failed) return
  const pa = propose({ ...one, alsoOn: zonesOffered(other) })
  expect(pa.failed).toBeUndefined()
  expect(pa.value).toBeGreaterThanOrEqual(pb.value)
  const stops = checkPlan(one, pb.steps)
    // What nothing may touch on the one skin is covered on the other.
    .findings.filter(({ strength, rule }) => strength === 'stop' && rule !== 'sun-covers')
    .map((finding) => `${finding.rule}: ${finding.text}`)
  expect(stops).toEqual([])
}
