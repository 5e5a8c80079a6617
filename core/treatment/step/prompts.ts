import { BOTTLE_SAYS, SAID_AHEAD_MINUTES } from '../../catalogue/rules/room'
import type { MakeUpId } from '../../catalogue/consultation/makeUp'
import { familiesOfBottle } from '../../catalogue/products/families'
import type { Product } from '../../catalogue/products/products'
import { reactsToLight } from '../../screening/products/kitchen'
import { techniqueOf } from '../../catalogue/techniques/ownWay'
import type { PlanStep } from '../../catalogue/techniques/step'
import { otherSideAt } from './sequence'
import { afterSoak, soakPrompts } from './soak'

/**
 * What is still said in a step, in its order, by minutes from its start.
 * @param worn what the client came with on the face
 * @param bottle what is in the hand: what it holds may have to be said as well
 */
export function promptsOf(
  step: PlanStep,
  worn: readonly MakeUpId[] = [],
  bottle?: Bottle,
): { at: number; say: string }[] {
  const { say, prompts = [] } = techniqueOf(step)
  const timed = prompts.flatMap(({ at, say: words }) => {
    const moment = momentOf(at, step)
    return moment === undefined ? [] : [{ at: moment, say: words }]
  })
  const own = say === undefined ? [] : [{ at: afterSoak(step, worn), say }]
  const held = bottle ? heldWords(bottle).map((words) => ({ at: step.minutes, say: words })) : []
  return [...soakPrompts(step, worn), ...own, ...timed, ...held].sort(
    (one, other) => one.at - other.at,
  )
}
type Bottle = Pick<Product, 'kind' | 'inci' | 'acid' | 'recipe'>

/** What the client is told of what a bottle holds: as the hand ends, so that it is remembered. */
function heldWords(bottle: Bottle): string[] {
  return BOTTLE_SAYS.flatMap(({ holds, say }) =>
    (holds === 'lightReactive' ? reactsToLight(bottle) : familiesOfBottle(bottle).includes(holds))
      ? [say]
      : [],
  )
}

/** Minutes from the start at which something is said; undefined where that moment does not come. */
function momentOf(at: 'start' | 'end' | 'otherSide' | number, step: PlanStep): number | undefined {
  if (at === 'start') return 0
  if (at === 'end') return step.minutes
  return at === 'otherSide' ? otherSideAt(step) : at * step.minutes
}

/** What is to be said at this minute: all of the latest whose moment has come. */
export function promptAt(
  step: PlanStep,
  ran: number,
  worn: readonly MakeUpId[] = [],
  bottle?: Bottle,
): string | undefined {
  const come = promptsOf(step, worn, bottle).filter(({ at }) => at <= ran + SAID_AHEAD_MINUTES)
  const latest = come[come.length - 1]?.at
  if (latest === undefined) return undefined
  return come.flatMap(({ at, say }) => (at === latest ? [say] : [])).join(' ')
}
