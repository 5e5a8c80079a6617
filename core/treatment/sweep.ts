import { SPOTS, SPOT_IDS, type SpotId } from '../catalogue/techniques/residue'
import type { PlanStep } from '../catalogue/techniques/step'
import { TECHNIQUES } from '../catalogue/techniques/techniques'
import type { RoomState } from './roomState'

/** Stays on the skin: what lies below it would be closed in. */
export const leavesOn = ({ technique }: Pick<PlanStep, 'technique'>): boolean =>
  TECHNIQUES[technique].leaves.film === 'leaveOn'

/**
 * Spots where something of what was used may have stayed, since the last look at them.
 * @param steps of every version
 */
export function spotsDue(state: RoomState, steps: readonly PlanStep[]): SpotId[] {
  const lookedAt = (spot: SpotId) =>
    Math.max(0, ...state.swept.filter(({ spots }) => spots.includes(spot)).map(({ at }) => at))
  return SPOT_IDS.filter((spot) =>
    state.done.some(({ key, skipped, endedAt }) => {
      const step = steps.find((own) => own.key === key)
      const kind = step && TECHNIQUES[step.technique].product
      if (!step || !kind || skipped !== undefined || leavesOn(step)) return false
      return SPOTS[spot].kinds.includes(kind) && endedAt > lookedAt(spot)
    }),
  )
}

/**
 * The spots that are looked at with this step: before anything stays on, or with the step that
 * leads up to it.
 * @param next the main step after it
 */
export function sweepWith(
  state: RoomState,
  steps: readonly PlanStep[],
  step: PlanStep,
  next: PlanStep | undefined,
): SpotId[] {
  if (leavesOn(step)) return spotsDue(state, steps)
  if (!next || !leavesOn(next)) return []
  const kind = TECHNIQUES[step.technique].product
  const own = SPOT_IDS.filter((spot) => kind !== undefined && SPOTS[spot].kinds.includes(kind))
  const due = spotsDue(state, steps)
  return SPOT_IDS.filter((spot) => due.includes(spot) || own.includes(spot))
}
