import { WORD_LETTERS } from '../../catalogue/rules/screening'
import type { Contraindication } from '../../catalogue/consultation/contraindications'
import type { FamilyId, LicenceId } from '../../catalogue/kinds'
import { TECHNIQUES } from '../../catalogue/techniques/techniques'

/** A row set aside for one visit: by whom, on whose word and why. It stays on the record. */
export interface Lift {
  rule: string
  word: string
  reason: string
  by: string
  at: number
}

/**
 * Whether a person may do any of the techniques of a family; of a family that is only in bottles or
 * on other people's lists, anybody.
 */
function covers(family: FamilyId, licences: readonly LicenceId[]): boolean {
  const own = Object.values(TECHNIQUES).filter((technique) => technique.families.includes(family))
  return (
    own.length === 0 ||
    own.some(
      (technique) =>
        licences.includes(technique.licence) ||
        (technique.setting?.more !== undefined &&
          licences.includes(technique.setting.more.licence)),
    )
  )
}

/**
 * Why a person may not overrode a restriction today; undefined when they may. What only a date or nobody
 * lifts stands for everyone,
 * and so does what stops the visit. Where a doctor's word is asked, it must be written down.
 */
export function liftTrouble(
  row: Contraindication,
  who: { role: string; licences: readonly LicenceId[] },
  word: string,
): string | undefined {
  if (row.visit)
    return 'What stops the whole visit cannot be overridden. Correct the answer if it was wrong.'
  if (row.lifts === 'nobody') return 'This cannot be overridden.'
  if (row.lifts === 'date') return 'This ends on its date only.'
  if (who.role === 'trainee') return 'Trainees cannot override a restriction. Ask a colleague.'
  if (!row.families.every((family) => covers(family, who.licences)))
    return 'Only a colleague licensed for this work may override it.'
  if (row.lifts === 'doctor' && word.trim().length < WORD_LETTERS)
    return 'Write down which doctor gave their word, and when.'
  return undefined
}

/** The table without what somebody entitled has set aside for this visit. */
export const lifted = (
  rows: readonly Contraindication[],
  lifts: readonly Lift[],
): readonly Contraindication[] =>
  lifts.length === 0 ? rows : rows.filter((row) => !lifts.some((lift) => lift.rule === row.id))
