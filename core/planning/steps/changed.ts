import type { PlanStep } from '../../catalogue/techniques/step'
import { TECHNIQUES } from '../../catalogue/techniques/techniques'
import { placeOf } from '../../catalogue/techniques/traits'
import { listRegions } from '../../face/regions'
import type { RegionId } from '../../face/zones'

const nameOf = ({ technique }: PlanStep): string => TECHNIQUES[technique].name
const counts = ({ technique }: PlanStep): boolean => TECHNIQUES[technique].connects === undefined

const placesOf = (lost: readonly RegionId[], more: readonly RegionId[]): string[] => [
  ...(lost.length > 0 ? [`not on ${listRegions(lost)}`] : []),
  ...(more.length > 0 ? [`also on ${listRegions(more)}`] : []),
]

/** What is other in a step, part by part: "5 min, was 8", "not on nose". */
function partsOf(before: PlanStep, after: PlanStep): string[] {
  const lost = before.regions.filter((region) => !after.regions.includes(region))
  const more = after.regions.filter((region) => !before.regions.includes(region))
  return [
    ...(after.minutes === before.minutes ? [] : [`${after.minutes} min, was ${before.minutes}`]),
    ...(after.passes === before.passes
      ? []
      : [`passes ${after.passes ?? 'none'}, was ${before.passes ?? 'none'}`]),
    ...(after.setting === before.setting
      ? []
      : [`level ${after.setting ?? 'none'}, was ${before.setting ?? 'none'}`]),
    ...(before.half === after.half ? placesOf(lost, more) : [`on ${placeOf(after)}`]),
    ...(after.productId === before.productId ? [] : ['another bottle']),
  ]
}

/**
 * What one version of a plan changed of the one before, a line a step: "Clay left out", "Steam: 5 min,
 * was 8". What only connects the work is not said.
 */
export function changedWords(
  before: readonly PlanStep[],
  after: readonly PlanStep[],
): readonly string[] {
  const kept = new Map(after.map((step) => [step.key, step]))
  const had = new Map(before.map((step) => [step.key, step]))
  return [
    ...before
      .filter((step) => counts(step) && !kept.has(step.key))
      .map((step) => `${nameOf(step)} left out`),
    ...after.filter(counts).flatMap((step) => {
      const own = had.get(step.key)
      if (!own) return [`${nameOf(step)} added, ${step.minutes} min`]
      const parts = partsOf(own, step)
      return parts.length > 0 ? [`${nameOf(step)}: ${parts.join('; ')}`] : []
    }),
  ]
}
