import { TECHNIQUES, TECHNIQUE_IDS, type TechniqueId } from '../catalogue/techniques/techniques'
import type { TakenOf } from '../dosing/learned'
import type { RecordDraft } from './build'

const isTechnique = (id: unknown): id is TechniqueId => TECHNIQUE_IDS.includes(id as TechniqueId)

/**
 * What a record says was measured of each kind: only what was tapped in the room, and nothing of a
 * visit that was tapped through.
 */
export function takenIn(treatment: Pick<RecordDraft, 'lines' | 'rushed'> | null): TakenOf[] {
  if (!treatment || treatment.rushed) return []
  return treatment.lines.flatMap(({ technique, actualMinutes, product }) => {
    const kind = isTechnique(technique) ? TECHNIQUES[technique].product : undefined
    if (!kind || actualMinutes === null || !product || product.half) return []
    const { plannedMl, takenMl } = product
    return plannedMl === null || takenMl === null
      ? []
      : [{ kind, planned: plannedMl, taken: takenMl }]
  })
}
