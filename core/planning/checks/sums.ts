import { VISIT_SUMS, type VisitSum } from '../../catalogue/rules/sums'
import type { PlanStep } from '../../catalogue/techniques/step'
import { techniqueOf } from '../../catalogue/techniques/ownWay'
import type { PlanInput } from '../input'
import { finding, remove, type Checking, type PlanFinding } from './finding'

/** Minutes that a sum may come to for this client today. */
export const sumMost = (
  { most, overSteam }: VisitSum,
  { verdict }: Pick<PlanInput, 'verdict'>,
): number => (overSteam === undefined ? most : Math.min(most, verdict.limit.steamMost + overSteam))

/** What adds up over the visit: heat, vacuum, current, light; on the skin or under the hand. */
export function sumFindings({ input, steps, walked, rules }: Checking): PlanFinding[] {
  const minutesOf = (step: PlanStep): number => {
    const rests = walked.schedule.resting.filter((resting) => resting.key === step.key)
    if (rests.length === 0) return step.minutes
    return Math.max(0, ...rests.map(({ start, end }) => end - start))
  }
  return VISIT_SUMS.flatMap((sum) => {
    const own = steps.filter((step) =>
      techniqueOf(step).families.some((family) => sum.families.includes(family)),
    )
    const last = own[own.length - 1]
    const total = own.reduce((minutes, step) => minutes + minutesOf(step), 0)
    const most = sumMost(sum, input)
    if (!last || own.length < 2 || total <= most) return []
    return finding(rules, sum.id, `${rules.get(sum.id)?.sentence ?? ''} ${total} min of ${most}.`, {
      key: last.key,
      regions: last.regions,
      mends: [remove(last)],
    })
  })
}
