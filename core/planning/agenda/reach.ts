import type { Line } from '../../catalogue/rules/intentions'
import { BROAD_FROM_SHARE, REGION_SHARE } from '../../catalogue/rules/value'
import { outOfReach } from '../../catalogue/techniques/reach'
import type { Technique } from '../../catalogue/techniques/techniques'
import { GROUPS } from '../../face/regions'
import type { RegionId } from '../../face/zones'

/** Of some zones those that a technique is done on at all. */
export function reachOf(technique: Technique, regions: readonly RegionId[]): RegionId[] {
  const reach = reaches.get(technique) ?? wholeReach(technique)
  reaches.set(technique, reach)
  return regions.filter((id) => reach.has(id))
}
const reaches = new WeakMap<Technique, ReadonlySet<RegionId>>()
function wholeReach({ groups, families }: Technique): ReadonlySet<RegionId> {
  const never = outOfReach(families)
  return new Set(groups.flatMap((group) => GROUPS[group].filter((id) => !never.includes(id))))
}

/** What reaches the whole face is no answer to the trouble of a small part of it. */
export function isAsBroad(
  technique: Technique,
  { part }: Pick<Line, 'part'>,
  asking: readonly RegionId[],
): boolean {
  if (technique.wholeFace !== true || part === 'light') return true
  return shareOf(asking) >= BROAD_FROM_SHARE
}
/** How much of the whole some zones of the face are, per cent. */
export const shareOf = (regions: readonly RegionId[]): number =>
  regions.filter((id) => GROUPS.face.includes(id)).reduce((sum, id) => sum + REGION_SHARE[id], 0)
