import { productIn } from '../../catalogue/products/products'
import { REMOVAL_WAYS, wayOffOf } from '../../catalogue/techniques/removalWays'
import type { PlanStep } from '../../catalogue/techniques/step'
import { techniqueOf } from '../../catalogue/techniques/ownWay'
import { shortName } from '../../catalogue/techniques/traits'
import { takesOff } from '../../timing/removal'
import type { ShelfItem } from '../../planning/input'
import { restingAt } from '../fold/clocks'
import type { RoomState } from '../fold/roomState'

/**
 * How what this step takes off comes off: what is done first, with which water, in about how many
 * wipes. What has dried past its time is wetted for longer.
 * @param steps of every version
 * @param now milliseconds since 1970
 * @param shelf whose labels may name another way off than the usual one of their kind
 */
export function wayOff(
  state: RoomState,
  steps: readonly PlanStep[],
  step: PlanStep,
  now: number,
  shelf: readonly ShelfItem[] = [],
): string[] {
  return state.resting.flatMap((resting) => {
    const laid = steps.find(({ key }) => key === resting.key)
    if (resting.endedAt !== undefined || !laid || !takesOff(step.technique, laid.technique))
      return []
    const bottle = productIn(shelf, state.products[laid.key]?.productId ?? laid.productId)
    const { say } = wayOffOf(bottle)
    if (say) return [`${shortName(laid)}: ${say}.`]
    const { product } = techniqueOf(laid)
    const way = REMOVAL_WAYS.find(({ kind }) => kind === product)
    if (!way) return []
    const { first, water, wipes } = way
    const [least, most] = wipes
    const count = least === most ? `${least}` : `${least} to ${most}`
    const dried = resting.late === 'rewet' && restingAt(resting, now).word === 'late'
    const words = dried ? 'dry by now: a wet cloth on it for a minute' : first
    const times = most === 1 ? 'one wipe' : `${count} wipes`
    return [`${shortName(laid)}: ${words}; ${water} water, ${times}.`]
  })
}
