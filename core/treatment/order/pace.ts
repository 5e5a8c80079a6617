import { ROUNDING, MINUTE_MS } from '../../units'
import type { PlanStep } from '../../catalogue/techniques/step'
import { runningMs } from '../fold/clocks'
import type { RoomState } from '../fold/fold'

/** Hands-on minutes that these steps plan. */
export const plannedMinutes = (steps: readonly PlanStep[]) =>
  steps.reduce((sum, step) => sum + step.minutes, 0)

/**
 * Whole minutes ahead of the plan; below zero is behind. The step at hand counts as far as it has
 * run, never beyond its plan.
 * @param now milliseconds since 1970
 */
export function minutesAhead(state: RoomState, steps: readonly PlanStep[], now: number): number {
  const at = steps.findIndex((step) => step.key === state.current?.key)
  const step = steps[at]
  if (state.startedAt === undefined || !step) return 0
  const due =
    plannedMinutes(steps.slice(0, at)) + Math.min(step.minutes, runningMs(state, now) / MINUTE_MS)
  return Math.round(due - (now - state.startedAt) / MINUTE_MS)
}

/**
 * Whole minutes that are still there for this client, at least one: of the time booked, and never
 * past the end of the slot on the clock,
 * where the treatment runs inside its slot at all.
 * @param slot start in milliseconds since 1970, length in minutes
 */
export const minutesLeft = (state: RoomState, slot: Slot, now: number): number =>
  Math.max(1, Math.floor(exactlyLeft(state, slot, now)))

interface Slot {
  startsAt: number
  minutes: number
}
function exactlyLeft(state: RoomState, slot: Slot, now: number): number {
  const began = state.startedAt ?? now
  const ofBooked = slot.minutes - (now - began) / MINUTE_MS
  const end = slot.startsAt + slot.minutes * MINUTE_MS
  const inSlot = now >= slot.startsAt && now < end
  return inSlot ? Math.min(ofBooked, (end - now) / MINUTE_MS) : ofBooked
}

/**
 * Whole minutes that the steps still to come need beyond what is left; none when they fit or miss
 * by less than one. A late start shows here at once.
 * @param slot start in milliseconds since 1970, length in minutes
 */
export function minutesShort(
  state: RoomState,
  steps: readonly PlanStep[],
  slot: Slot,
  now: number,
): number {
  const at = steps.findIndex((step) => step.key === state.current?.key)
  const step = steps[at]
  if (!step) return 0
  const still =
    Math.max(0, step.minutes - runningMs(state, now) / MINUTE_MS) +
    plannedMinutes(steps.slice(at + 1))
  return Math.max(0, Math.floor(still - Math.max(0, exactlyLeft(state, slot, now)) + ROUNDING))
}
