import type { AnyReadingId, Grade } from '#core/skin/readings'
import { RAMPS, type Ramp } from '~/theme/colours'

/** One ramp a reading, light to strong; the number is always printed on the zone as well. */
const OF_READING: Record<AnyReadingId, Ramp> = {
  oil: RAMPS.honey,
  water: RAMPS.water,
  redness: RAMPS.rose,
  congestion: RAMPS.earth,
  sensitivity: RAMPS.heather,
  texture: RAMPS.earth,
  vessels: RAMPS.rose,
  spots: RAMPS.rose,
  pigment: RAMPS.sand,
  lines: RAMPS.earth,
  fragility: RAMPS.heather,
  tension: RAMPS.earth,
}
export const gradeColour = (reading: AnyReadingId, grade: Grade): string =>
  OF_READING[reading][grade]
