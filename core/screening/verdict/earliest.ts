import { MANY_ZONES } from '../../catalogue/rules/screening'
import { FAMILY_IDS, FAMILY_NAMES, type FamilyId } from '../../catalogue/kinds'
import { nameRegions } from '../../face/regions'
import type { RegionId } from '../../face/zones'
import type { Bar } from './verdict'

/** From which day some kind of work may be done again, where, and what it waits for. */
export interface Earliest {
  family: FamilyId
  name: string
  /** ISO day of the house. */
  day: string
  regions: readonly RegionId[]
  where: string
  because: string
}

/**
 * The earliest day for each kind of work that something keeps waiting until a known day: the latest
 * of all that keep it. In the order of the days.
 */
export function earliestDays(bars: readonly Bar[], today: string): Earliest[] {
  return FAMILY_IDS.flatMap((family) => {
    const waits = bars.filter(
      (bar) => bar.until !== undefined && bar.until > today && bar.families.includes(family),
    )
    const day = waits.reduce((latest, { until = '' }) => (until > latest ? until : latest), '')
    const last = waits.find((bar) => bar.until === day)
    if (!last) return []
    const regions = [...new Set(waits.flatMap((bar) => bar.regions))]
    return [
      {
        family,
        name: FAMILY_NAMES[family],
        day,
        regions,
        where: regions.length >= MANY_ZONES ? '' : nameRegions(regions),
        because: last.sentence.replace(/\.$/, ''),
      },
    ]
  }).sort((one, other) => (one.day < other.day ? -1 : one.day > other.day ? 1 : 0))
}
