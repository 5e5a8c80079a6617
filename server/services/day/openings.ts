import { and, eq, gt, lt, ne } from 'drizzle-orm'
import type { HoursPage } from '#contracts/replies/house'
import { VISIT_MINUTES } from '#core/catalogue/rules/visit'
import { DAY_MINUTES, USUAL_DAY, type Stretch } from '#core/timing/places'
import { MINUTE_MS } from '#core/units'
import { visits } from '#db/schema'
import { database } from '../database'
import { dayIn, minuteIn } from '../dates'
import { openThatDay } from '../house/hours'

/** A visit as it stands in the way of another. */
export interface Taken {
  id: string
  clientId: string
  roomId: string
  staffId: string
  startsAt: Date
  minutes: number
}
/** Longest visit: so far back one may begin that still runs. */
export const LONGEST_MS = VISIT_MINUTES.most * MINUTE_MS

/** The visits that are booked or were held between two moments. */
export const takenBetween = (from: Date, to: Date): Promise<Taken[]> =>
  database()
    .select({
      id: visits.id,
      clientId: visits.clientId,
      roomId: visits.roomId,
      staffId: visits.staffId,
      startsAt: visits.startsAt,
      minutes: visits.minutes,
    })
    .from(visits)
    .where(
      and(
        gt(visits.startsAt, new Date(from.getTime() - LONGEST_MS)),
        lt(visits.startsAt, to),
        ne(visits.status, 'cancelled'),
        eq(visits.imported, false),
      ),
    )

/** The day of a moment and its minute from midnight, by the clock of the house. */
export const clockOf = (zone: string, at: Date): { day: string; minute: number } => ({
  day: dayIn(zone, at),
  minute: minuteIn(zone, at),
})

/** When of a day a visit that begins then or the day before lies, minutes from its midnight. */
export function stretchOf(
  zone: string,
  day: string,
  { startsAt, minutes }: Pick<Taken, 'startsAt' | 'minutes'>,
): Stretch {
  const begins = clockOf(zone, startsAt)
  const from = begins.day < day ? begins.minute - DAY_MINUTES : begins.minute
  return { from, to: from + minutes }
}

/** What of a day the house offers: its hours, or the usual ones where it has told none. */
export const offeredOn = (hours: HoursPage, day: string): Stretch[] => {
  const open = openThatDay(hours, null, day)
  const told = hours.openings.some(({ staffId }) => staffId === null)
  return told || open.length === 0 ? open : [USUAL_DAY]
}
