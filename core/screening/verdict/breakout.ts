import { BREAKOUT_ROWS, type BreakoutRow } from '../../catalogue/skin/breakout'
import { HOME_REGIONS } from '../../catalogue/consultation/home'
import { REGION_IDS } from '../../face/zones'
import { readRegion, type Grade, type Readings } from '../../skin/readings'
import type { Profile } from '../../skin/profile'
import { addDays } from '../asking/days'
import type { Bar } from './verdict'

type Spots = readonly (Grade | undefined)[]
const spotsOf = (profile: Profile): Spots =>
  REGION_IDS.map((region) => profile.regions[region].spots)

/** The row of the greatest severity that these spots reach. */
const reached = (spots: Spots, rows: readonly BreakoutRow[]): BreakoutRow | undefined =>
  rows.find(({ from, regions }) => spots.filter((grade) => (grade ?? 0) >= from).length >= regions)

const barOf = (row: BreakoutRow, sentence: string): Bar => ({
  rule: row.rule,
  does: 'local',
  families: row.families,
  regions: HOME_REGIONS,
  sentence,
  reason: 'an inflamed face heals faster when it is left alone',
  lifts: 'therapist',
  source: row.source,
})

/** What a breakout read today stops on the whole face. */
export function barsFromBreakout(
  profile: Profile,
  rows: readonly BreakoutRow[] = BREAKOUT_ROWS,
): Bar[] {
  const row = reached(spotsOf(profile), rows)
  return row ? [barOf(row, row.sentence)] : []
}

/**
 * What a breakout read at the visit before still stops, and until which day.
 * @param before the reading then and its ISO day of the house
 * @param today ISO day
 */
export function barsAfterBreakout(
  before: { day: string; zones: Readings } | undefined,
  today: string,
  rows: readonly BreakoutRow[] = BREAKOUT_ROWS,
): Bar[] {
  const row =
    before &&
    reached(
      REGION_IDS.map((region) => readRegion(before.zones, region).spots),
      rows,
    )
  if (!before || !row) return []
  const until = addDays(before.day, row.days)
  return until <= today
    ? []
    : [{ ...barOf(row, `${row.later}.`), rule: `${row.rule}-after`, does: 'local', until }]
}
