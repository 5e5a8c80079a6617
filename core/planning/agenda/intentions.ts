import { HOW_MANY } from '../../catalogue/rules/intentions'
import { CALM_FROM } from '../../catalogue/rules/restraint'
import type { ConcernId } from '../../catalogue/kinds'
import { GROUPS } from '../../face/regions'
import { plannedGrade, type Profile } from '../../skin/profile'
import type { PlanInput } from '../input'

/** Something that a visit is for, and who says so. */
export interface Intended {
  id: ConcernId
  /** The client, the reading, or nobody: then a visit calms and protects. */
  by: 'client' | 'reading' | 'nobody'
}

/** How many intentions a visit of some minutes carries. */
export const howMany = (slotMinutes: number): number =>
  HOW_MANY.find(({ from }) => slotMinutes >= from)?.many ?? 1

/**
 * What a visit is for: what the client asked for, in the client's order, as many as its length
 * carries. Where there is room the reading may add one on the cautious side; where nobody said
 * anything the visit calms and protects.
 */
export function intentionsOf({
  aims,
  slotMinutes,
  profile,
}: Pick<PlanInput, 'aims' | 'slotMinutes' | 'profile'>): Intended[] {
  const many = howMany(slotMinutes)
  const asked = [...new Set(aims)].slice(0, many).map((id): Intended => ({ id, by: 'client' }))
  const read = readIntention(profile)
  if (asked.length < many && read && !asked.some(({ id }) => id === read))
    return [...asked, { id: read, by: 'reading' }]
  return asked.length > 0 ? asked : [{ id: CALM, by: 'nobody' }]
}
const CALM: ConcernId = 'redness'

/** What the skin itself asks for, on the cautious side: calm first, then water. */
function readIntention(profile: Profile): ConcernId | undefined {
  const shows = (reading: 'redness' | 'sensitivity') =>
    GROUPS.face.some((region) => plannedGrade(profile, region, reading) >= CALM_FROM)
  if (shows('redness') || shows('sensitivity')) return CALM
  return profile.conditions.includes('dehydrated') ? 'dehydration' : undefined
}
