import { ANY_MASK_OFF, USUAL_REMOVAL } from '../catalogue/techniques/roles'
import { TECHNIQUES, type TechniqueId } from '../catalogue/techniques/techniques'
import type { RegionId } from '../face/zones'
import { minutes, type Minutes } from '../units'

/** What takes a technique's product off again. */
export const removalOf = (id: TechniqueId): TechniqueId => TECHNIQUES[id].removedBy ?? USUAL_REMOVAL

/**
 * Whether one technique ends the resting of another: its own way off, or water where it is
 * something on the skin.
 */
export const takesOff = (by: TechniqueId, what: TechniqueId): boolean =>
  by === removalOf(what) || (by === ANY_MASK_OFF && TECHNIQUES[what].leaves.film === 'mask')

/** The minutes it takes to come off. A wide mask takes the longer of the removal's own choices. */
export function removalMinutes(id: TechniqueId, regions: readonly RegionId[]): Minutes {
  const { minutes: own, wideFrom = Number.POSITIVE_INFINITY } = TECHNIQUES[removalOf(id)]
  const { choices, least } = own
  const wide = regions.length >= wideFrom
  return (wide ? choices[choices.length - 1] : choices[0]) ?? minutes(least)
}
