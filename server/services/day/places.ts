import type { HoursPage, Place, WeekDay } from '#contracts/replies/house'
import { once } from '#core/once'
import { MINUTE_MS, WEEK_DAYS } from '#core/units'
import { and, asc, eq, ne } from 'drizzle-orm'
import type { z } from 'zod'
import type { placesQuery } from '#contracts/hours'
import { addDays } from '#core/screening/asking/days'
import { placesFor } from '#core/timing/places'
import { clashesOf, inUseFor, type DeviceTime } from '#core/timing/sharedDevices'
import { devices, rooms, staff } from '#db/schema'
import { database } from '../database'
import { dayBounds, dayIn, minuteIn, momentAt, weekdayOf } from '../dates'
import { openThatDay, readHours, shutThatDay } from '../house/hours'
import { thePractice } from '../practice'
import { usesBetween, wantedBy } from './deviceUse'
import { offeredOn, stretchOf, takenBetween, type Taken } from './openings'

type Asked = z.infer<typeof placesQuery>

/** What places are sought among. */
interface Search {
  query: Asked
  timeZone: string
  cleaningMinutes: number
  today: string
  hours: HoursPage
  rooms: readonly (typeof rooms.$inferSelect)[]
  people: readonly (typeof staff.$inferSelect)[]
  /** Visits that stand in the way. */
  others: readonly Taken[]
  /** Whether the moved visit's own plan has its devices in a room from a moment on. */
  hasDevices: (roomId: string, startsAt: number) => boolean
}

/** The free places for a length: by day, then hour; with whom and where is free then. */
export async function freePlaces(query: Asked): Promise<Place[]> {
  const { timeZone, cleaningMinutes } = await thePractice()
  const bounds = {
    from: dayBounds(timeZone, query.from).from,
    to: dayBounds(timeZone, addDays(query.from, query.days)).from,
  }
  const [roomRows, people, hours, taken, hasDevices] = await Promise.all([
    database().select().from(rooms).where(eq(rooms.closed, false)).orderBy(asc(rooms.name)),
    database()
      .select()
      .from(staff)
      .where(and(eq(staff.active, true), ne(staff.role, 'receptionist')))
      .orderBy(asc(staff.name)),
    readHours(query.from),
    takenBetween(bounds.from, bounds.to),
    devicesFor(query.visitId, bounds),
  ])
  const search: Search = {
    ...{ query, timeZone, cleaningMinutes, hours, people, hasDevices },
    today: dayIn(timeZone, Date.now()),
    rooms: roomRows,
    others: taken.filter(({ id }) => id !== query.visitId),
  }
  const out: Place[] = []
  for (let at = 0; at < query.days && out.length < query.most; at++)
    out.push(...placesOn(addDays(query.from, at), search))
  return out
}

/** The free places of one day, the earliest first. */
function placesOn(day: string, search: Search): Place[] {
  const { query, timeZone, cleaningMinutes, today, hours } = search
  if (day < today) return []
  const house = offeredOn(hours, day)
  const on = search.others.map((own) => ({ ...own, ...stretchOf(timeZone, day, own) }))
  // The clock on the wall is asked once for each minute, not once for each room and person.
  const momentOf = once((minute: number) => momentAt(timeZone, day, minute).getTime())
  const found: Place[] = []
  for (const person of search.people.filter(({ id }) => id === (query.staffId ?? id)))
    for (const room of search.rooms.filter(({ id }) => id === (query.roomId ?? id)))
      for (const minute of placesFor(query.minutes, {
        house,
        person: openThatDay(hours, person.id, day),
        inRoom: on.filter(({ roomId }) => roomId === room.id),
        ofPerson: on.filter(
          ({ staffId, clientId }) => staffId === person.id || clientId === query.clientId,
        ),
        cleaningMinutes,
        ...(day === today ? { notBefore: minuteIn(timeZone, Date.now()) } : {}),
      })) {
        const startsAt = momentOf(minute)
        if (!search.hasDevices(room.id, startsAt)) continue
        const who = { staffId: person.id, staff: person.name }
        found.push({ startsAt, day, ...who, roomId: room.id, room: room.name })
      }
  return found.sort((one, other) => one.startsAt - other.startsAt)
}

/** Where and when the plan of a visit that is moved has all its devices; one without a plan always has. */
async function devicesFor(
  visitId: string | undefined,
  bounds: { from: Date; to: Date },
): Promise<Search['hasDevices']> {
  const wanted = visitId === undefined ? [] : await wantedBy(database(), visitId)
  if (wanted.length === 0) return () => true
  const [uses, own] = await Promise.all([
    usesBetween(database(), bounds, visitId),
    database().select().from(devices),
  ])
  const byRoom = new Map<string, readonly DeviceTime[]>()
  return (roomId, startsAt) => {
    const inUse = byRoom.get(roomId) ?? inUseFor(roomId, uses, own)
    byRoom.set(roomId, inUse)
    const start = startsAt / MINUTE_MS
    const then = wanted.map((own) => ({ ...own, from: own.from + start, to: own.to + start }))
    return clashesOf(then, inUse).length === 0
  }
}

/** So many weeks of days from a Monday on: how open and how full each is. */
export async function readWeeks(anyDay: string, weeks: number): Promise<WeekDay[]> {
  const { timeZone } = await thePractice()
  const monday = addDays(anyDay, 1 - weekdayOf(anyDay))
  const days = weeks * WEEK_DAYS
  const [roomRows, hours, taken] = await Promise.all([
    database().select({ id: rooms.id }).from(rooms).where(eq(rooms.closed, false)),
    readHours(monday),
    takenBetween(dayBounds(timeZone, monday).from, dayBounds(timeZone, addDays(monday, days)).from),
  ])
  const placed = taken.map((own) => ({ ...own, on: dayIn(timeZone, own.startsAt) }))
  return Array.from({ length: days }, (_, at) => {
    const day = addDays(monday, at)
    const own = placed.filter(({ on }) => on === day)
    const open = offeredOn(hours, day)
    return {
      day,
      visits: own.length,
      openMinutes: open.reduce((sum, { from, to }) => sum + to - from, 0) * roomRows.length,
      takenMinutes: own.reduce((sum, { minutes }) => sum + minutes, 0),
      shut: shutThatDay(hours, null, day) ?? null,
    }
  })
}
