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

/** What a colleague would ask of a step: nothing, why it was, or nothing more, since it was said. */
export interface WhyOnRecord {
  /** A colleague would ask why, and nobody has said it yet. */
  asksWhy?: true
  /** The reason that was asked for and given. */
  saidWhy?: string
}

/**
 * Whether a colleague would ask why this step went otherwise than planned: only then is a reason asked
 * for. A minute more of a hand, or another bottle with its reason said in the room, asks for none.
 */
export function whyOf(step: PlanStep, state: RoomState, byDay: boolean): WhyOnRecord {
  if (!WHERE_IT_MATTERS.some((matters) => matters({ step, state, byDay }))) return {}
  const said = state.reasons[step.key]
  return said === undefined ? { asksWhy: true } : { saidWhy: said }
}
