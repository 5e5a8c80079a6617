import type { PlanStep } from '../../catalogue/techniques/step'
import { meet, SIDE_NAMES } from '../../face/sides'
import { techniqueOf } from '../../catalogue/techniques/ownWay'
import { shortName } from '../../catalogue/techniques/traits'
import { takesOff } from '../../timing/removal'
import { fromMilliseconds } from '../../units'
import { missedZones, unevenSides, zoneCountOf } from '../step/counting'
import { restingAt } from '../fold/clocks'
import { behind, halfTimesNow, timedAlike } from '../step/halfTime'
import type { RoomState } from '../fold/roomState'

/**
 * What is said once before a step ends: a mask that would come off before its earliest, sides that
 * were not done or timed alike, zones that were left out.
 * @param steps of every version
 * @param now milliseconds since 1970
 */
export function askedBeforeDone(
  state: RoomState,
  steps: readonly PlanStep[],
  step: PlanStep,
  now: number,
): string[] {
  const early = state.resting.flatMap((resting) => {
    const laid = steps.find(({ key }) => key === resting.key)
    if (resting.endedAt !== undefined || !laid) return []
    // Its time is not up while the hands fill it, nor when it is about to come off.
    const fills = techniqueOf(step).fillsFrom !== undefined
    const off = takesOff(step.technique, laid.technique) && meet(resting, step)
    if (!fills && !off) return []
    const { word, ms } = restingAt(resting, now)
    if (word !== 'working') return []
    const left = Math.ceil(resting.earliest - fromMilliseconds(ms))
    return [`${shortName(laid)}: ${left} min to its earliest.`]
  })
  const halves = halfTimesNow(state, step.key, now)
  const count = zoneCountOf(state, step)
  const missed = count && missedZones(count)
  return [
    ...early,
    ...(count ? unevenSides(count).map((words) => `${words}.`) : []),
    ...(missed ? [`${missed}.`] : []),
    ...(timedAlike(halves) ? [] : [`The ${SIDE_NAMES[behind(halves)]} side had less time.`]),
  ]
}
