import type { Technique } from '../catalogue/techniques/techniques'
import { sideOf, type Side, type Where } from '../face/sides'
import type { RegionId } from '../face/zones'
import { applyTechnique, passTime, unmetNeeds, type Surface } from './surface'

/**
 * A face of two halves, so that each half of a forehead can have a product of its own. As long as
 * nothing was done on one half alone both are the very same surface, and are walked once.
 */
export type Face = Readonly<Record<Side, Surface>>

/** A face of which both halves are the same. */
export const faceOf = (surface: Surface): Face => ({ L: surface, R: surface })

/** The zones of a step as one half of the face has them. */
const zonesOn = ({ regions, half }: Where, side: Side): readonly RegionId[] =>
  half === undefined || half === side
    ? regions
    : regions.filter((region) => sideOf(region) !== undefined)

const onEach = (face: Face, where: Where, walk: (of: Surface, side: Side) => Surface): Face => {
  if (face.L === face.R && where.half === undefined) return faceOf(walk(face.L, 'L'))
  return { L: walk(face.L, 'L'), R: walk(face.R, 'R') }
}

/** The face after a technique of `ticks` hands-on time; needs are not looked at here. */
export const workOn = (face: Face, technique: Technique, where: Where, ticks: number): Face =>
  onEach(face, where, (surface, side) =>
    applyTechnique(surface, technique, zonesOn(where, side), ticks),
  )

/** The face after some ticks in which nobody touches it. */
export const waited = (face: Face, ticks: number): Face =>
  onEach(face, { regions: [] }, (surface) => passTime(surface, ticks))

/** The surface that a step is held against: of its own half; of the left where it covers both. */
export const seenBy = (face: Face, { half = 'L' }: Where): Surface => face[half]

/** The surface of a step's half, or of the half that lacks something where it covers both. */
export function lackingOn(face: Face, technique: Technique, where: Where): Surface {
  if (where.half !== undefined || face.L === face.R) return seenBy(face, where)
  return unmetNeeds(face.L, technique, where.regions).length > 0 ? face.L : face.R
}
