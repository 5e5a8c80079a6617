import type { Grade, ReadingId } from '#core/skin/readings'

/** One ramp a reading, light to strong; the number is always printed on the zone as well. */
const RAMPS: Record<ReadingId, readonly [string, string, string, string, string]> = {
  oil: ['#F3EBD9', '#EFDFB4', '#E8CF87', '#DDB95A', '#CDA03A'], water: ['#F1DDC8', '#E9E3D2', '#CFE0E2', '#A6CBD6', '#7FB3C8'], redness: ['#F3EBD9', '#F3DACD', '#EDBEAE', '#E39B8C', '#D67B74'],
  congestion: ['#F3EBD9', '#E4DCC6', '#CBC3A6', '#AFA681', '#968C66'], sensitivity: ['#F3EBD9', '#E9DCE6', '#DBC2D8', '#C9A4C6', '#B888B4'],
}
export const gradeColour = (reading: ReadingId, grade: Grade) => RAMPS[reading][grade]
