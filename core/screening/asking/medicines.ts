import type { FindingId } from '../../catalogue/consultation/findings'
import { MEDICINE_GROUPS } from '../../catalogue/consultation/medicines'
import type { Answers } from './answers'

/** What is written on a client's file about medicines, one by one. */
export interface Medicine {
  /** As it was written. */
  word: string
  /** What it stands for; none where no group knows the word. */
  findings: readonly FindingId[]
}

/** Words that say that there is none. */
const NONE = /^(none|no|nothing|keine|aucun|inga|ninguno|[-–—./]*)$/i

/** Each medicine of a text: separated by commas, semicolons or lines. */
export function medicinesIn(text: string): Medicine[] {
  return text
    .split(/[,;\n]/)
    .map((word) => word.trim())
    .filter((word) => !NONE.test(word))
    .map((word) => ({ word, findings: groupsOf(word).map(({ finding }) => finding) }))
}

const groupsOf = (word: string) =>
  MEDICINE_GROUPS.filter(({ words }) =>
    words.some((own) => new RegExp(`(?:^|[^\\p{L}])${own}`, 'iu').test(word)),
  )

/**
 * The answers with what the medicines say: a medicine of a group is as good as an answer that nobody is
 * sure of, and stops what a yes would.
 */
export function withMedicines(answers: Answers, text: string): Answers {
  const told = medicinesIn(text).flatMap(({ findings }) => findings)
  const unsure = told.filter((finding) => answers[finding]?.say !== 'yes')
  return unsure.length === 0
    ? answers
    : { ...answers, ...Object.fromEntries(unsure.map((finding) => [finding, { say: 'unsure' }])) }
}

/** What is said of the medicines all through the visit: what one counts as, and what nobody knows. */
export function saidOfMedicines(text: string): { rule: string; say: string }[] {
  return medicinesIn(text).map(({ word }) => {
    const [group] = groupsOf(word)
    return group
      ? { rule: 'medicine-known', say: `“${word}” counts as ${group.name}` }
      : {
          rule: 'medicine-unknown',
          say: `Ask a doctor or pharmacist about “${word}”: no list here knows it`,
        }
  })
}
