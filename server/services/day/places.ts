import type { HoursPage, Place, WeekDay } from '#contracts/replies/house'
import { once } from '#core/once'
import { MINUTE_MS, WEEK_DAYS } from '#core/units'
import { and, asc, eq, ne } from 'drizzle-orm'
import type { z } from 'zod'
import type { placesQuery } from '#contracts/hours'
import { addDays } from '#core/screening/asking/days'
import { DAY_MINUTES, freeRoom, placesFor } from '#core/timing/places'
import { clashesOf, inUseFor, type DeviceTime } from '#core/timing/sharedDevices'
import { devices, rooms, staff } from '#db/schema'
import { severalBranches } from '../branches'
import { database } from '../database'
import { dayBounds, dayIn, minuteIn, momentAt, weekdayOf } from '../dates'
import { openThatDay, readHours, shutThatDay } from '../house/hours'
import { takenElsewhere } from '../people/shares'
import { thePractice } from '../practice'
import { usesBetween, wantedBy } from './deviceUse'
import { clockOf, offeredOn, takenBetween, type Taken } from './openings'

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
  /** Visits that stand in the way, each with its day and minute by the clock of the house. */
  others: readonly (Taken & { day: string; minute: number })[]
  /** Whether the moved visit's own plan has its devices in a room from a moment on. */
  hasDevices: (roomId: string, startsAt: number) => boolean
}

/** The free places for a length: by day, then hour; with whom that is free then, and where. */
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
    others: [...taken, ...(await elsewhereOf(people, bounds))]
      .filter(({ id }) => id !== query.visitId)
      .map((own) => ({ ...own, ...clockOf(timeZone, own.startsAt) })),
  }
  const out: Place[] = []
  for (let at = 0; at < query.days && out.length < query.most; at++)
    out.push(...placesOn(addDays(query.from, at), search))
  return out
}

/** When these people are taken in other practices of the house. */
async function elsewhereOf(
  people: Search['people'],
  bounds: { from: Date; to: Date },
): Promise<Taken[]> {
  if (people.length === 0 || !(await severalBranches())) return []
  const emails = people.map(({ email }) => email)
  const taken = await takenElsewhere(database(), emails, bounds)
  return taken.flatMap(({ email, startsAt, minutes }) =>
    people
      .filter((own) => own.email === email)
      .map(({ id }) => ({ ...NOWHERE, staffId: id, startsAt, minutes })),
  )
}
/** No visit, client or room of this practice. */
const NOWHERE = { id: '', clientId: '', roomId: '' }

/** The free places of one day, the earliest first; of the rooms that are free then, one. */
function placesOn(day: string, search: Search): Place[] {
  const { query, timeZone, today, people } = search
  if (day < today) return []
  const on = takenOn(day, search)
  const rooms = freeRooms(day, on, search)
  // The clock on the wall is asked once for each minute, not once for each room and person.
  const momentOf = once((minute: number) => momentAt(timeZone, day, minute).getTime())
  const notBefore = day === today ? minuteIn(timeZone, Date.now()) : 0
  const found = new Map<string, Place>()
  for (const person of people.filter(({ id }) => id === (query.staffId ?? id))) {
    const open = openThatDay(search.hours, person.id, day)
    const ofPerson = on.filter(
      ({ staffId, clientId }) => staffId === person.id || clientId === query.clientId,
    )
    for (const { room, free } of rooms)
      for (const minute of placesFor(query.minutes, {
        room: free,
        person: open,
        ofPerson,
        notBefore,
      })) {
        const key = `${person.id} ${minute}`
        const startsAt = momentOf(minute)
        if (found.has(key) || !search.hasDevices(room.id, startsAt)) continue
        const who = { staffId: person.id, staff: person.name }
        found.set(key, { startsAt, day, ...who, roomId: room.id, room: room.name })
      }
  }
  return [...found.values()].sort((one, other) => one.startsAt - other.startsAt)
}

/** The visits that lie in a day, with when of it they do. */
const takenOn = (day: string, { others }: Search) =>
  others.flatMap((own) => {
    if (own.day !== day && own.day !== addDays(day, -1)) return []
    const from = own.day === day ? own.minute : own.minute - DAY_MINUTES
    return [{ ...own, from, to: from + own.minutes }]
  })

/** When each room is free, the one that is wished for first. */
function freeRooms(day: string, on: ReturnType<typeof takenOn>, search: Search) {
  const { query, hours, cleaningMinutes } = search
  const house = offeredOn(hours, day)
  const asked = search.rooms.filter(({ id }) => id === (query.roomId ?? id))
  const isWished = ({ id }: { id: string }) => id === query.wishedRoomId
  return [...asked.filter(isWished), ...asked.filter((room) => !isWished(room))].map((room) => {
    const visits = on.filter(({ roomId }) => roomId === room.id)
    return { room, free: freeRoom(house, visits, cleaningMinutes) }
  })
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
