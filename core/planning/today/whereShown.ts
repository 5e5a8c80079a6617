import type { ConcernId } from '../../catalogue/kinds'
import { ASKS_FROM, CONCERN_NEED } from '../../catalogue/rules/value'
import { listRegions } from '../../face/regions'
import type { RegionId } from '../../face/zones'
import type { Profile } from '../../skin/profile'
import { READING_NAMES } from '../../skin/readings'
import { needOf } from './need'

/** More grades than this read as a table, and not as a reason. */
const GRADES_SAID = 2

/**
 * Where some zones show what is minded, the most first: "congestion: nose 4; forehead 3". Empty where
 * none shows it enough to ask for work, and for what cannot be read of the skin.
 */
export function whereShown(id: ConcernId, profile: Profile, regions: readonly RegionId[]): string {
  const row = CONCERN_NEED[id]
  if ('constant' in row) return ''
  const { reading } = row
  const gradeOf = (region: RegionId) => profile.regions[region][reading]
  const asking = regions.filter(
    (region) => gradeOf(region) !== undefined && needOf(profile, id, region) >= ASKS_FROM,
  )
  const needs = new Set(asking.map((region) => needOf(profile, id, region)))
  const parts = [...needs]
    .sort((one, other) => other - one)
    .slice(0, GRADES_SAID)
    .map((need) => {
      const where = asking.filter((region) => needOf(profile, id, region) === need)
      return `${listRegions(where)} ${where[0] === undefined ? '' : (gradeOf(where[0]) ?? '')}`
    })
  return parts.length > 0 ? `${READING_NAMES[reading].toLowerCase()}: ${parts.join('; ')}` : ''
}
