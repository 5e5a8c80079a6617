import { TECHNIQUES } from '../catalogue/techniques/techniques'
import type { PlanStep } from '../catalogue/techniques/step'

/** What is still said in a step, in its order, by minutes from its start. */
export function promptsOf(step: PlanStep): { at: number; say: string }[] {
  const { say, prompts = [] } = TECHNIQUES[step.technique]
  const timed = prompts.map(({ at, say: words }) => ({
    at: at === 'start' ? 0 : at === 'end' ? step.minutes : at * step.minutes,
    say: words,
  }))
  return [...(say === undefined ? [] : [{ at: 0, say }]), ...timed].sort(
    (one, other) => one.at - other.at,
  )
}

/** Said this long before its moment, so that it is not late. Minutes. */
const AHEAD = 0.1
/** What is to be said at this minute: the latest whose moment has come. */
export const promptAt = (step: PlanStep, ran: number): string | undefined =>
  promptsOf(step)
    .filter(({ at }) => at <= ran + AHEAD)
    .at(-1)?.say
