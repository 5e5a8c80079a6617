import { RETESTS, type Retest } from '../../catalogue/consultation/retests'
import type { Answers } from './answers'

/** What was told at one consultation; `at` in milliseconds since 1970. */
export interface Told {
  at: number
  answers: Answers
  medicines: string
}
/** The latest moment from which an earlier patch test no longer counts, and why. */
export interface AskAgain {
  at: number
  why: string
}

const named = (medicines: string): Set<string> =>
  new Set(
    medicines
      .toLowerCase()
      .split(/[,;\n]+/)
      .map((medicine) => medicine.trim())
      .filter(Boolean),
  )

/**
 * Whether a patch test has to be repeated: after an illness, or a medicine that was not named at
 * the consultation before.
 * @param told all consultations of a client, in any order
 */
export function askAgain(
  told: readonly Told[],
  rows: readonly Retest[] = RETESTS,
): AskAgain | undefined {
  const inOrder = [...told].sort((one, other) => one.at - other.at)
  for (let i = inOrder.length - 1; i >= 0; i--) {
    const now = inOrder[i]
    if (!now) continue
    const before = inOrder[i - 1]
    for (const row of rows) {
      const met =
        row.after === 'newMedicine'
          ? before !== undefined &&
            [...named(now.medicines)].some((medicine) => !named(before.medicines).has(medicine))
          : row.findings.some((finding) => now.answers[finding]?.say === 'yes')
      if (met) return { at: now.at, why: row.why }
    }
  }
  return undefined
}
