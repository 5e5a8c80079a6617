import { floorOf, stageRank, techniquesOf } from '../../catalogue/techniques/stages'
import { hasPlace } from '../../catalogue/techniques/traits'
import type { PlanStep } from '../../catalogue/techniques/step'
import { TECHNIQUES, type TechniqueId } from '../../catalogue/techniques/techniques'
import { freshStep } from '../today/fresh'
import { finding, type Checking, type PlanFinding } from './finding'

/** What every visit needs and this plan lacks. */
export function floorFindings({ input, steps, rules }: Checking): PlanFinding[] {
  return floorOf(input).flatMap((f) => {
    const fills = techniquesOf(f.stage)
    if (steps.some((s) => fills.includes(s.technique))) return []
    const step = freshStep(f.first, input)
    return finding(rules, f.rule, undefined, {
      mends: step
        ? [
            {
              label: `Add ${TECHNIQUES[f.first].name.toLowerCase()}`,
              minutes: step.minutes,
              edits: [{ do: 'insert', before: placeFor(f.first, steps), step }],
            },
          ]
        : [],
    })
  })
}

/** Where a technique usually stands: before the first step that comes later in the usual order. */
export function placeFor(technique: TechniqueId, steps: readonly PlanStep[]): string | null {
  const own = stageRank(technique)
  const later = steps.find((s) => hasPlace(s.technique) && stageRank(s.technique) > own)
  return later?.key ?? null
}
