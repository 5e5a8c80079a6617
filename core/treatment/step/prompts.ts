import { SAID_AHEAD_MINUTES } from '../../catalogue/rules/room'
import type { MakeUpId } from '../../catalogue/consultation/makeUp'
import { TECHNIQUES } from '../../catalogue/techniques/techniques'
import type { PlanStep } from '../../catalogue/techniques/step'
import { otherSideAt } from './sequence'
import { afterSoak, soakPrompts } from './soak'

/**
 * What is still said in a step, in its order, by minutes from its start.
 * @param worn what the client came with on the face
 */
export function promptsOf(
  step: PlanStep,
  worn: readonly MakeUpId[] = [],
): { at: number; say: string }[] {
  const { say, prompts = [] } = TECHNIQUES[step.technique]
  const timed = prompts.flatMap(({ at, say: words }) => {
    const moment = momentOf(at, step)
    return moment === undefined ? [] : [{ at: moment, say: words }]
  })
  const own = say === undefined ? [] : [{ at: afterSoak(step, worn), say }]
  return [...soakPrompts(step, worn), ...own, ...timed].sort((one, other) => one.at - other.at)
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
): string | undefined {
  const come = promptsOf(step, worn).filter(({ at }) => at <= ran + SAID_AHEAD_MINUTES)
  const latest = come[come.length - 1]?.at
  if (latest === undefined) return undefined
  return come.flatMap(({ at, say }) => (at === latest ? [say] : [])).join(' ')
}
