import type { Contraindication } from '../catalogue/contraindications'
import type { FamilyId, LicenceId } from '../catalogue/kinds'

/** A row set aside for one visit: by whom, on whose word and why. It stays on the record. */
export interface Lift { rule: string, word: string, reason: string, by: string, at: number }

/** The licence that covers work of a family; without one listed the basic licence does. */
const COVERS: Partial<Record<FamilyId, readonly LicenceId[]>> = {
  abrasion: ['machine'], vacuum: ['machine'], highFrequency: ['current'], microcurrent: ['current'], needling: ['needling025', 'needling05'],
}

/**
 * Why a person may not set a row aside today; undefined when they may. What only a date or nobody lifts stands for everyone,
 * and so does what stops the visit. Where a doctor's word is asked, it must be written down.
 */
export function liftTrouble(row: Contraindication, who: { role: string, licences: readonly LicenceId[] }, word: string): string | undefined {
  if (row.visit) return 'What stops the whole visit is not set aside: correct the answer if it was wrong.'
  if (row.lifts === 'nobody') return 'Nobody sets this aside.'
  if (row.lifts === 'date') return 'Only its date lifts this.'
  if (who.role === 'trainee') return 'A trainee sets nothing aside: ask a colleague.'
  const missing = row.families.find((f) => COVERS[f] !== undefined && !COVERS[f]?.some((l) => who.licences.includes(l)))
  if (missing) return 'Only somebody licensed for this work may set it aside.'
  if (row.lifts === 'doctor' && word.trim().length < 3) return 'Write down which doctor gave their word, and when.'
  return undefined
}

export const lifted = (rows: readonly Contraindication[], lifts: readonly Lift[]): readonly Contraindication[] => (lifts.length === 0 ? rows : rows.filter((r) => !lifts.some((l) => l.rule === r.id)))
