import { exfoliates, shortName } from '../catalogue/techniques/traits'
import type { FamilyId } from '../catalogue/kinds'
import { REST_INTERVALS } from '../catalogue/rules/restIntervals'
import type { PlanStep } from '../catalogue/techniques/step'
import { TECHNIQUES } from '../catalogue/techniques/techniques'
import { REGION_IDS, type RegionId } from '../face/zones'
import type { PlanInput } from '../planning/input'
import { trace } from '../planning/steps/trace'

/**
 * What a visit asked of the skin: kept with its record, so that later visits can reckon with it.
 */
export interface SealedWork {
  families: FamilyId[]
  regions: RegionId[]
  loads: Partial<Record<RegionId, number>>
  label: string
  techniques: string[]
}

export function workOf(input: PlanInput, done: readonly PlanStep[]): SealedWork {
  const walked = trace(input, done)
  const strong = done.filter((s) => TECHNIQUES[s.technique].families.length > 0)
  // What asks for rest later is remembered with its zones; the label names only what takes
  // something off.
  const resting = strong.filter((s) =>
    TECHNIQUES[s.technique].families.some((f) => REST_INTERVALS.some((r) => r.after.includes(f))),
  )
  const worked = strong.filter(
    (s) => exfoliates(s.technique) || TECHNIQUES[s.technique].families.includes('highFrequency'),
  )
  const loads: Partial<Record<RegionId, number>> = {}
  for (const r of REGION_IDS) {
    const l = walked.totals[r] - input.residual[r]
    if (l > 0) loads[r] = l
  }
  return {
    families: [...new Set(strong.flatMap((s) => TECHNIQUES[s.technique].families))],
    regions: REGION_IDS.filter((r) => resting.some((s) => s.regions.includes(r))),
    loads,
    label:
      worked.length > 0
        ? worked.map((s) => shortName(s.technique).toLowerCase()).join(', ')
        : 'gentle facial',
    techniques: [...new Set(done.map((s) => s.technique))],
  }
}
