import { EXFOLIATING, type FamilyId } from '../catalogue/kinds'
import type { PlanStep } from '../catalogue/techniques/step'
import { TECHNIQUES, type TechniqueId } from '../catalogue/techniques/techniques'
import { isMain } from '../catalogue/techniques/traits'
import { REGION_IDS, type RegionId } from '../face/zones'
import type { PlanInput } from '../planning/input'
import { trace } from '../planning/steps/trace'

/** What a plan does to one region, each in its own unit: rungs, hundredths, minutes. */
export interface Stress {
  rung: number
  load: number
  friction: number
  heat: number
  current: number
  light: number
}
const MINUTES_OF: Readonly<Record<'friction' | 'heat' | 'current' | 'light', readonly FamilyId[]>> =
  {
    friction: ['friction', 'abrasion', 'blade', 'massage'],
    heat: ['heat'],
    current: ['highFrequency', 'microcurrent'],
    light: ['lamp'],
  }

/** What a whole plan does to each region. */
export function stressesOf(input: PlanInput, steps: readonly PlanStep[]): Map<RegionId, Stress> {
  const { totals, schedule } = trace(input, steps)
  return new Map(
    REGION_IDS.map((region): [RegionId, Stress] => {
      const here = steps.filter((step) => step.regions.includes(region))
      const minutesOf = (kind: keyof typeof MINUTES_OF) =>
        here
          .filter(({ technique }) =>
            TECHNIQUES[technique].families.some((family) => MINUTES_OF[kind].includes(family)),
          )
          .reduce((sum, step) => {
            const rest = schedule.resting.find(({ key }) => key === step.key)
            return sum + (rest ? rest.end - rest.start : step.minutes)
          }, 0)
      return [
        region,
        {
          rung: Math.max(0, ...here.map(({ technique }) => TECHNIQUES[technique].rung ?? 0)),
          load: totals[region] - input.residual[region],
          friction: minutesOf('friction'),
          heat: minutesOf('heat'),
          current: minutesOf('current'),
          light: minutesOf('light'),
        },
      ]
    }),
  )
}

/** Families that ask something of the skin: what has one of them is work, and not care alone. */
const WORK: readonly FamilyId[] = [
  ...EXFOLIATING,
  ...['peel', 'ultrasound', 'vacuum', 'extraction', 'heat', 'clay', 'massage'].map(
    (family) => family as FamilyId,
  ),
  ...['highFrequency', 'microcurrent', 'lamp'].map((family) => family as FamilyId),
]
/** Whether a technique is work on the skin: its own step, and asks something of it. */
export const isWork = (id: TechniqueId): boolean =>
  isMain(id) && TECHNIQUES[id].families.some((family) => WORK.includes(family))
