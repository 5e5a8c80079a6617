import { SPOTS, SPOT_IDS, type SpotId } from '../../catalogue/techniques/residue'
import type { ZoneId } from '../../face/zones'
import type { PlanStep } from '../../catalogue/techniques/step'
import { techniqueOf } from '../../catalogue/techniques/ownWay'
import { TECHNIQUES } from '../../catalogue/techniques/techniques'
import type { RoomState } from '../fold/roomState'

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
      const kind = step && techniqueOf(step).product
      if (!step || !kind || skipped !== undefined || leavesOn(step)) return false
      return SPOTS[spot].kinds.includes(kind) && endedAt > lookedAt(spot)
    }),
  )
}

/** What is looked at with a step, and what of it was ticked as clear already. */
export interface Sweep {
  spots: readonly SpotId[]
  ticked: readonly SpotId[]
}

/**
 * The spots that are looked at with this step: before anything stays on, or with the step that
 * leads up to it. One that was ticked in this step stays in sight until the step ends.
 * @param next the main step after it
 */
export function sweepWith(
  state: RoomState,
  steps: readonly PlanStep[],
  step: PlanStep,
  next: PlanStep | undefined,
): Sweep {
  const seen = state.swept.filter(({ key }) => key === step.key).flatMap(({ spots }) => spots)
  const wanted = new Set([...lookedFor(state, steps, step, next), ...seen])
  const inOrder = SPOT_IDS.filter((spot) => wanted.has(spot))
  return { spots: inOrder, ticked: inOrder.filter((spot) => seen.includes(spot)) }
}

function lookedFor(
  state: RoomState,
  steps: readonly PlanStep[],
  step: PlanStep,
  next: PlanStep | undefined,
): SpotId[] {
  if (leavesOn(step)) return spotsDue(state, steps)
  if (!next || !leavesOn(next)) return []
  const kind = techniqueOf(step).product
  const own = SPOT_IDS.filter((spot) => kind !== undefined && SPOTS[spot].kinds.includes(kind))
  return [...spotsDue(state, steps), ...own]
}

/** The spot that a tap on a zone means: the first of them there that is not ticked yet. */
export const spotAt = ({ spots, ticked }: Sweep, zone: ZoneId): SpotId | undefined =>
  spots.find((spot) => SPOTS[spot].zones.includes(zone) && !ticked.includes(spot))
