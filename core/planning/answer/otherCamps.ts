import { POINTS, type PointId } from '../../catalogue/schools/camps'
import { methodOf, NO_POLICY } from '../../catalogue/schools/schools'
import type { PlanInput } from '../input'
import { changedMains } from './compare'
import { propose } from './propose'

/** Where schools differ: what this house holds, and what each other camp would do to this plan. */
export interface CampEffect {
  point: PointId
  title: string
  now: string
  others: readonly { id: string; sentence: string; change: string }[]
}

const MINUS = '−'

/**
 * Each point with its other camps, each of them planned out: the plan of this client and day with
 * that one camp changed and nothing else.
 */
export function otherCamps(input: PlanInput): CampEffect[] {
  const own = propose(input)
  const { policy = NO_POLICY } = input
  const method = methodOf(input.school, policy)
  return POINTS.map((point) => {
    const now = method.camps[point.id]
    return {
      point: point.id,
      title: point.title,
      now: now.sentence,
      others: point.camps
        .filter((camp) => camp.id !== now.id)
        .map(({ id, sentence }) => {
          const camps = { ...policy.camps, [point.id]: id }
          const other = propose({ ...input, policy: { ...policy, camps } })
          return { id, sentence, change: other.failed?.text ?? changeWords(own, other) }
        }),
    }
  })
}

type Planned = Pick<ReturnType<typeof propose>, 'steps' | 'minutes'>

/** "+ clay 12 min, − tip; 3 min longer", or that nothing changes in this plan. */
function changeWords(own: Planned, other: Planned): string {
  const steps = changedMains(own.steps, other.steps).flatMap(({ name, was, is }) => {
    if (was === null) return [`+ ${name.toLowerCase()} ${is ?? 0} min`]
    if (is === null) return [`${MINUS} ${name.toLowerCase()}`]
    return was === is ? [] : [`${name.toLowerCase()} ${was} → ${is} min`]
  })
  const longer = other.minutes - own.minutes
  const time = longer === 0 ? [] : [`${Math.abs(longer)} min ${longer > 0 ? 'longer' : 'shorter'}`]
  return [steps.join(', '), ...time].filter(Boolean).join('; ') || 'no other step in this plan'
}
