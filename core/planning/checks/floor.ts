import { stageRank, techniquesOf } from '../../catalogue/techniques/stages'
import { hasPlace } from '../../catalogue/techniques/traits'
import type { PlanStep } from '../../catalogue/techniques/step'
import { TECHNIQUES, type TechniqueId } from '../../catalogue/techniques/techniques'
import { floorToday } from '../today/floorToday'
import { freshStep } from '../today/fresh'
import { finding, type Checking, type PlanFinding } from './finding'

/** What every visit needs and this plan lacks. */
export function floorFindings({ input, steps, rules, allow }: Checking): PlanFinding[] {
  return floorToday(input, allow).flatMap((stage) => {
    const fills = techniquesOf(stage.stage)
    if (steps.some((step) => fills.includes(step.technique))) return []
    const step = freshStep(stage.first, input)
    return finding(rules, stage.rule, undefined, {
      mends: step
        ? [
            {
              label: `Add ${TECHNIQUES[stage.first].name.toLowerCase()}`,
              minutes: step.minutes,
              edits: [{ do: 'insert', before: placeFor(stage.first, steps), step }],
            },
          ]
        : [],
    })
  })
}

/** Where a technique usually stands: before the first step that comes later in the usual order. */
export function placeFor(technique: TechniqueId, steps: readonly PlanStep[]): string | null {
  const own = stageRank(technique)
  const later = steps.find((step) => hasPlace(step.technique) && stageRank(step.technique) > own)
  return later?.key ?? null
}
