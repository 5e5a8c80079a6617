import { eq } from 'drizzle-orm'
import type { z } from 'zod'
import { OFFERED_LONGEST, type coursePost, type courseQuery } from '#contracts/hours'
import type { Place } from '#contracts/replies/house'
import { nearPlaces } from '#core/course/next'
import { addDays } from '#core/screening/asking/days'
import { WEEK_DAYS } from '#core/units'
import { visits } from '#db/schema'
import { refused } from '../../problem/problem'
import type { Visit } from '../access'
import { database } from '../database'
import { dayIn, minuteIn, weekdayOf } from '../dates'
import { thePractice } from '../practice'
import type { Staff } from '../session/session'
import { momentOf } from '../visits/moment'
import { hoursAround, placeFor } from './inTheWay'
import { freePlaces } from './places'

/**
 * A place for each visit of a course: with the same hands, nearest to this client's weekday and hour,
 * each so many weeks after the one before. Where a week has none, the course ends there.
 */
export async function coursePlaces(
  visit: Visit,
  { from, count, weeks }: z.infer<typeof courseQuery>,
): Promise<Place[]> {
  const { timeZone } = await thePractice()
  const usual = {
    weekday: weekdayOf(dayIn(timeZone, visit.startsAt)),
    minute: minuteIn(timeZone, visit.startsAt),
  }
  const out: Place[] = []
  let earliest = from
  while (out.length < count) {
    const { minutes, staffId, clientId, roomId: wishedRoomId } = visit
    const free = await freePlaces({
      ...{ from: earliest, days: WEEK_DAYS, minutes, staffId, clientId, wishedRoomId },
      most: OFFERED_LONGEST,
    })
    const own = free.filter(({ roomId }) => roomId === visit.roomId)
    const minuteOf = (at: number) => minuteIn(timeZone, at)
    // The same room where it is free; any other before another week.
    const [place] = [
      ...nearPlaces(own, earliest, usual, minuteOf),
      ...nearPlaces(free, earliest, usual, minuteOf),
    ]
    if (!place) break
    out.push(place)
    earliest = addDays(place.day, weeks * WEEK_DAYS)
  }
  return out
}

/**
 * Books a course, all of it or nothing: each visit is held against rooms, hands and hours as any
 * other. Sent twice it is booked once.
 * @throws ProblemError 409 with what is in the way, 422 for a moment that is over
 */
export async function bookCourse(
  me: Staff,
  visit: Visit,
  { places }: z.infer<typeof coursePost>,
): Promise<void> {
  const { clientId, minutes, school, staffId } = visit
  const now = Math.max(Date.now(), momentOf(visit).getTime())
  const wanted = places.map(({ id, startsAt, roomId }) => ({
    ...{ id, clientId, staffId, roomId, minutes },
    startsAt: new Date(startsAt),
  }))
  const over = wanted.find(({ startsAt }) => startsAt.getTime() <= now)
  if (over)
    throw refused('A visit of a course lies ahead of this one.', [
      { field: 'places', given: over.startsAt.toISOString(), allowed: 'a moment to come' },
    ])
  const hours = await Promise.all(wanted.map(({ startsAt }) => hoursAround(startsAt)))
  await database().transaction(async (tx) => {
    for (const [at, own] of wanted.entries()) {
      const house = hours[at]
      if (!house) continue
      const [there] = await tx.select({ id: visits.id }).from(visits).where(eq(visits.id, own.id))
      if (there) continue
      const allowedBecause = await placeFor(tx, own, house, { role: me.role, usualHours: true })
      await tx.insert(visits).values({ ...own, allowedBecause, school, aims: [] })
    }
  })
}
