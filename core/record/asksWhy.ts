import { LAST_ON_SKIN } from '../catalogue/rules/backbone'
import type { PlanStep } from '../catalogue/techniques/step'
import type { RoomState } from '../treatment/fold/fold'
import { restedTooLong } from './deviations'

interface Done {
  step: PlanStep
  state: RoomState
  /** The client goes out into daylight after it. */
  byDay: boolean
}

/** What is more than was planned or allowed, or what protects and is not there. */
const WHERE_IT_MATTERS: readonly ((done: Done) => boolean)[] = [
  ({ step, state }) => restedTooLong(step, state) !== undefined,
  ({ step, state }) => (state.settings[step.key] ?? 0) > (step.setting ?? Infinity),
  ({ step, state }) => state.unconfirmed.includes(step.key),
  ({ step, state }) =>
    state.breaches.some(({ key, what }) => what !== 'afterStop' && key === step.key),
  // All that was done after a stop is asked about once, at its first step.
  ({ step, state }) => state.breaches.find(({ what }) => what === 'afterStop')?.key === step.key,
  ({ step, state, byDay }) =>
    byDay && step.technique === LAST_ON_SKIN && !state.done.some(({ key }) => key === step.key),
]

/**
 * Whether a colleague would ask why this step went otherwise than planned, and nobody has said it:
 * only then is a reason asked for. A minute more of a hand, or another bottle with its reason said
 * in the room, asks for none.
 */
export const asksWhy = (step: PlanStep, state: RoomState, byDay: boolean): boolean =>
  state.reasons[step.key] === undefined &&
  WHERE_IT_MATTERS.some((matters) => matters({ step, state, byDay }))
