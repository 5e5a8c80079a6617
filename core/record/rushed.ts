import { RUSHED_SHARE } from '../catalogue/rules/room'
import { MINUTE_MS } from '../units'
import type { PlanStep } from '../catalogue/techniques/step'
import type { DoneStep, RoomState } from '../treatment/fold/roomState'

const handsMs = ({ endedAt, beganAt, heldMs }: DoneStep): number => endedAt - beganAt - heldMs

/**
 * Whether a visit was tapped through rather than timed: then its minutes say nothing of what was
 * done. Undefined where it was timed.
 * @returns the minutes on the clock and those planned for the same steps
 */
export function rushedThrough(
  { done }: Pick<RoomState, 'done'>,
  steps: readonly PlanStep[],
): { clock: number; planned: number } | undefined {
  let clock = 0
  let planned = 0
  for (const own of done) {
    const step = steps.find((one) => one.key === own.key)
    if (!step || own.skipped !== undefined) continue
    clock += handsMs(own) / MINUTE_MS
    planned += step.minutes
  }
  return planned > 0 && clock < planned * RUSHED_SHARE ? { clock, planned } : undefined
}
