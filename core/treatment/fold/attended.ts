import { ORDER_RULES } from '../../catalogue/rules/orderRules'
import type { PlanStep } from '../../catalogue/techniques/step'
import { TECHNIQUES } from '../../catalogue/techniques/techniques'
import { shortName } from '../../catalogue/techniques/traits'
import type { RoomState } from './roomState'

/** The rule that nobody is left alone under what is watched by the second. */
const RULE = 'attended'

/**
 * Under what the client may not be left alone now: the step at hand, and what rests.
 * @param every steps of every version
 */
export function attendedNow(
  state: RoomState,
  every: readonly PlanStep[],
  step: PlanStep | undefined,
): PlanStep[] {
  const rests = state.resting.flatMap(({ key, endedAt }) =>
    endedAt === undefined ? every.filter((own) => own.key === key) : [],
  )
  return [...(step ? [step] : []), ...rests].filter(
    ({ technique }) => TECHNIQUES[technique].attended === true,
  )
}

/** "Stay beside: steam. Nobody is left alone …", or nothing. */
export function stayWords(attended: readonly PlanStep[]): string {
  const names = [...new Set(attended.map((step) => shortName(step).toLowerCase()))]
  if (names.length === 0) return ''
  return `Stay beside (${names.join(', ')}). ${ORDER_RULES.get(RULE)?.sentence ?? ''}`
}

/** What is seen to before the hand holds, so that the client may be alone for a moment. */
export const beforeHold = (attended: readonly PlanStep[]): string =>
  attended.length === 0 ? '' : 'First turn it away or take it off: then hold.'
