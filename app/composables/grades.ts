import type { AnyReadingId, Grade } from '#core/skin/readings'

type Ramp = readonly [string, string, string, string, string]
const EARTH: Ramp = ['#F3EBD9', '#E4DCC6', '#CBC3A6', '#AFA681', '#968C66']
const ROSE: Ramp = ['#F3EBD9', '#F3DACD', '#EDBEAE', '#E39B8C', '#D67B74']
/** One ramp a reading, light to strong; the number is always printed on the zone as well. */
const RAMPS: Record<AnyReadingId, Ramp> = {
  oil: ['#F3EBD9', '#EFDFB4', '#E8CF87', '#DDB95A', '#CDA03A'],
  water: ['#F1DDC8', '#E9E3D2', '#CFE0E2', '#A6CBD6', '#7FB3C8'],
  redness: ROSE,
  congestion: EARTH,
  sensitivity: ['#F3EBD9', '#E9DCE6', '#DBC2D8', '#C9A4C6', '#B888B4'],
  texture: EARTH,
  vessels: ROSE,
  spots: ROSE,
  pigment: ['#F3EBD9', '#E8D6BE', '#D6BA97', '#BF9B72', '#A67F55'],
  lines: EARTH,
  fragility: ['#F3EBD9', '#E9DCE6', '#DBC2D8', '#C9A4C6', '#B888B4'],
}
export const gradeColour = (reading: AnyReadingId, grade: Grade) => RAMPS[reading][grade]
