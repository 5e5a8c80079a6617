import type { PlanStep } from '../../catalogue/techniques/step'
import { shortName } from '../../catalogue/techniques/traits'
import type { PlanInput } from '../../planning/input'
import { barredNow } from '../../planning/today/barredNow'
import { productUsed } from '../order/atHand'
import type { RoomState } from '../fold/roomState'

/** Something that lies on the skin although it may not any more. */
export interface LiesBarred {
  /** The step that laid it. */
  key: string
  name: string
  why: string
}

/**
 * What lies on the skin now and is not for this client any more, by what was told since it was laid;
 * without what is marked to come off first already.
 * @param steps of every version, as they are worked
 */
export const liesBarred = (
  state: RoomState,
  steps: readonly PlanStep[],
  input: PlanInput,
): LiesBarred[] =>
  state.resting.flatMap(({ key, regions, endedAt, comesOffFirst }) => {
    const step = steps.find((own) => own.key === key)
    if (endedAt !== undefined || comesOffFirst || !step) return []
    const why = barredNow({ ...step, regions }, input, productUsed(state, step))
    return why === '' ? [] : [{ key, name: shortName(step), why }]
  })
