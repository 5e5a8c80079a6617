import { STRONG, type ConcernId } from '../../catalogue/kinds'
import { ONLY_WHERE_ASKED, ONLY_WHERE_NAMED } from '../../catalogue/rules/restraint'
import {
  ASKS_FROM,
  CONCERN_NEED,
  LEAST_SHARE,
  MAINLY_FROM,
  REGION_SHARE,
} from '../../catalogue/rules/value'
import type { Technique } from '../../catalogue/techniques/techniques'
import type { RegionId } from '../../face/zones'
import { plannedGrade, type Profile } from '../../skin/profile'
import { MOST_GRADE } from '../../skin/readings'
import type { PlanInput } from '../input'

type Asking = Pick<PlanInput, 'profile' | 'aims' | 'named' | 'wanted' | 'protocol'>
type Working = Pick<Technique, 'id' | 'families' | 'effects'>

/** How much of a concern a region shows, 0–4; what was not read counts as the catalogue says. */
export function needOf(profile: Profile, concern: ConcernId, region: RegionId): number {
  const row = CONCERN_NEED[concern]
  if ('constant' in row) return row.only && !row.only.includes(region) ? 0 : row.constant
  if ('unread' in row) return profile.regions[region][row.reading] ?? row.unread
  const grade = plannedGrade(profile, region, row.reading)
  return row.invert ? MOST_GRADE - grade : grade
}

/** Whether a technique is kept to the zones that ask for it. */
export const keptToNeed = ({ families }: Pick<Technique, 'families'>): boolean =>
  families.some((family) => ONLY_WHERE_ASKED.includes(family))

/** How much a region asks for a technique, 0–4: the greatest need of what the technique is mainly for. */
export function askFor({ effects }: Working, region: RegionId, asking: Asking): number {
  const concerns = (Object.keys(effects) as ConcernId[]).filter(
    (concern) => (effects[concern] ?? 0) >= MAINLY_FROM,
  )
  return Math.max(0, ...concerns.map((concern) => askOf(concern, region, asking)))
}

/** What nobody read asks only where the client has named it. */
function askOf(concern: ConcernId, region: RegionId, { profile, aims }: Asking): number {
  const row = CONCERN_NEED[concern]
  if ('constant' in row) return 0
  const read = profile.regions[region][row.reading] !== undefined
  return read || !('unread' in row) || aims.includes(concern) ? needOf(profile, concern, region) : 0
}

/**
 * Strong work serves something that the client asked for, or is named by the therapist or the
 * house's protocol; a liking of the school is no reason.
 */
const isAskedFor = (
  { id, families, effects }: Working,
  { aims, named, wanted, protocol }: Asking,
): boolean =>
  !families.some((family) => STRONG.includes(family)) ||
  aims.some((aim) => effects[aim] !== undefined) ||
  named?.includes(id) === true ||
  wanted?.includes(id) === true ||
  protocol?.some(({ technique }) => technique === id) === true

/** Of some zones those that ask for a technique; all of them where it is not kept to need. */
export const thatAsk = (
  technique: Working,
  regions: readonly RegionId[],
  asking: Asking,
): readonly RegionId[] =>
  keptToNeed(technique)
    ? regions.filter(
        (region) =>
          isAskedFor(technique, asking) &&
          !ONLY_WHERE_NAMED.includes(region) &&
          askFor(technique, region, asking) >= ASKS_FROM,
      )
    : regions

/**
 * Whether what today allows is still worth it: where the zones that ask most are barred, the work
 * goes, and does not move to what is left over.
 * @param wanted the zones that ask; `open` those of them that may be worked on
 */
export function worthDoing(
  technique: Working,
  wanted: readonly RegionId[],
  open: readonly RegionId[],
  asking: Asking,
): boolean {
  if (!keptToNeed(technique)) return open.length > 0
  const sum = (regions: readonly RegionId[]) =>
    regions.reduce(
      (total, region) => total + REGION_SHARE[region] * askFor(technique, region, asking),
      0,
    )
  return open.length > 0 && sum(open) >= sum(wanted) * LEAST_SHARE
}
