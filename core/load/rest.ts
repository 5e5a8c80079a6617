import { REST_INTERVALS, type RestInterval } from '../catalogue/rules/restIntervals'
import { COMMON_PRACTICE, FAMILY_IDS, type FamilyId } from '../catalogue/kinds'
import type { RegionId } from '../face/zones'
import { addDays, dayInWords, daysBetween } from '../screening/asking/days'
import type { Bar } from '../screening/verdict/verdict'

/** How a visit was taken: badly where it was stopped, too much was felt, or the skin reacted. */
export type Taken = 'well' | 'badly'

/** Work of an earlier visit that asks for rest. */
export interface PastWork {
  day: string
  families: readonly FamilyId[]
  regions: readonly RegionId[]
  /** What was done, and how it was taken, where the record says so. */
  techniques?: readonly string[]
  taken?: Taken
}

/**
 * Bars from rest intervals still running on `today`, each until its date. They win over the ledger
 * wherever they are stricter.
 */
export function restBars(
  past: readonly PastWork[],
  today: string,
  rows: readonly RestInterval[] = REST_INTERVALS,
): Bar[] {
  const out: Bar[] = []
  for (const work of past)
    for (const rest of rows) {
      if (!work.families.some((family) => rest.after.includes(family))) continue
      if (daysBetween(work.day, today) < 0) continue
      const until = addDays(work.day, rest.days)
      if (daysBetween(today, until) <= 0) continue
      out.push({
        rule: rest.id,
        does: 'later',
        families: FAMILY_IDS.filter((family) => rest.bars.includes(family)),
        regions: work.regions,
        until,
        sentence: `Resting since ${dayInWords(work.day)}: ${rest.sentence}.`,
        reason: 'the last visit is still working',
        lifts: 'date',
        source: COMMON_PRACTICE,
      })
    }
  return out
}

/** The earliest day on which a family may be done again after today's work. */
export function earliestAgain(
  families: readonly FamilyId[],
  day: string,
): { day: string; rule: string; sentence: string } | undefined {
  const hits = REST_INTERVALS.filter((restInterval) =>
    families.some((family) => restInterval.after.includes(family)),
  ).sort((one, other) => other.days - one.days)
  const first = hits[0]
  return first && { day: addDays(day, first.days), rule: first.id, sentence: first.sentence }
}
