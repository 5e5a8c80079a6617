import { FINDING_ORDER, FINDINGS } from '../../catalogue/consultation/findings'
import type { PastReaction } from '../products/reactions'
import type { Answers } from '../asking/answers'

/** What stands beside a client's name wherever it is shown. */
interface Alert {
  text: string
  /** Not known for certain: it counts as asked before, and says so. */
  unsure: boolean
}

/**
 * The alerts of a client: what they reacted to, then the answers in the order of the questions; an
 * unsure answer is one too.
 * @param reactions those that no patch test has cleared up
 */
export function alertsOf(
  answers: Answers,
  reactions: readonly Pick<PastReaction, 'productName'>[] = [],
): Alert[] {
  const reacted = [...new Set(reactions.map(({ productName }) => productName))]
  const told = FINDING_ORDER.flatMap((finding): Alert[] => {
    const answer = answers[finding]
    const word = FINDINGS[finding].alert
    if (!answer || !word || answer.say === 'no') return []
    const unsure = answer.say === 'unsure'
    const named =
      finding === 'allergy' ? `allergy: ${answer.substances?.join(', ') || 'not named'}` : word
    return [{ text: unsure ? `${named}? ask before` : named, unsure }]
  })
  return [...reacted.map((name) => ({ text: `reacted: ${name}`, unsure: false })), ...told]
}
