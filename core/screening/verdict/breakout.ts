import { BREAKOUT_ROWS, type BreakoutRow } from '../../catalogue/skin/breakout'
import { GROUPS } from '../../face/regions'
import { REGION_IDS } from '../../face/zones'
import type { FamilyId } from '../../catalogue/kinds'
import { MOST_GRADE, readRegion, type Grade, type Readings } from '../../skin/readings'
import type { Profile } from '../../skin/profile'
import { addDays } from '../asking/days'
import type { Bar } from './verdict'

type Spots = readonly (Grade | undefined)[]
const spotsOf = (profile: Profile): Spots =>
  GROUPS.faceNoEyes.map((region) => profile.regions[region].spots)

/** The row of the greatest severity that these spots reach. */
const reached = (spots: Spots, rows: readonly BreakoutRow[]): BreakoutRow | undefined =>
  rows.find(({ from, regions }) => spots.filter((grade) => (grade ?? 0) >= from).length >= regions)

/**
 * Kinds of work that a breakout would stop on the whole face, if what was not read of it were at its
 * worst; empty where all of it was read.
 */
export function mayBeStopped(
  profile: Profile,
  rows: readonly BreakoutRow[] = BREAKOUT_ROWS,
): readonly FamilyId[] {
  const unread = GROUPS.faceNoEyes.filter((region) => profile.unread.includes(region))
  if (unread.length === 0) return []
  const worst = GROUPS.faceNoEyes.map((region) =>
    unread.includes(region) ? MOST_GRADE : profile.regions[region].spots,
  )
  return rows
    .filter(({ from, regions }) => worst.filter((grade) => (grade ?? 0) >= from).length >= regions)
    .flatMap(({ families }) => families)
}

const barOf = (row: BreakoutRow, sentence: string): Bar => ({
  rule: row.rule,
  does: 'local',
  families: row.families,
  regions: REGION_IDS,
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
      GROUPS.faceNoEyes.map((region) => readRegion(before.zones, region).spots),
      rows,
    )
  if (!before || !row) return []
  const until = addDays(before.day, row.days)
  return until <= today
    ? []
    : [{ ...barOf(row, `${row.later}.`), rule: `${row.rule}-after`, does: 'local', until }]
}
