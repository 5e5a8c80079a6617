import { TECHNIQUES, type TechniqueId } from '../catalogue/techniques/techniques'
import type { RegionId } from '../face/zones'
import { minutes, type Minutes } from '../units'

/** The usual removal of what rests on the skin. */
const USUAL: TechniqueId = 'maskOff'
/** Water takes off whatever is a mask, at need. */
const WATER: TechniqueId = 'rinse'
/** From so many regions on, the usual removal is a longer one. */
const WIDE = 6

/** What takes a technique's product off again. */
export const removalOf = (id: TechniqueId): TechniqueId => TECHNIQUES[id].removedBy ?? USUAL

/**
 * Whether one technique ends the resting of another: its own way off, or water where it is
 * something on the skin.
 */
export const takesOff = (by: TechniqueId, what: TechniqueId): boolean =>
  by === removalOf(what) || (by === WATER && TECHNIQUES[what].leaves.film === 'mask')

/** The minutes it takes to come off. A wide mask takes the longer of the removal's own choices. */
export function removalMinutes(id: TechniqueId, regions: readonly RegionId[]): Minutes {
  const { choices, least } = TECHNIQUES[removalOf(id)].minutes
  const wide = TECHNIQUES[id].removedBy === undefined && regions.length >= WIDE
  return (wide ? choices[choices.length - 1] : choices[0]) ?? minutes(least)
}
