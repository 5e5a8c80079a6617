import type { HoursPage, Place, WeekDay } from '#contracts/replies/house'
import { MINUTE_MS, WEEK_DAYS } from '#core/units'
import { VISIT_MINUTES } from '#core/catalogue/rules/visit'
import { and, asc, eq, gt, lt, ne, sql } from 'drizzle-orm'
import type { z } from 'zod'
import type { placesQuery } from '#contracts/hours'
import { addDays } from '#core/screening/asking/days'
import { DAY_MINUTES, inBoth, placesFor, USUAL_DAY, type Stretch } from '#core/timing/places'
import { isOver } from '#core/visit/status'
import { rooms, staff, visits } from '#db/schema'
import { ProblemError, refused } from '../../problem/problem'
import { database, type Transaction } from '../database'
import { dayBounds, dayIn, minuteIn, momentAt, weekdayOf } from '../dates'
import { openThatDay, readHours, shutThatDay } from '../house/hours'
import { thePractice } from '../practice'

/** A visit as it stands in the way of another. */
interface Taken {
  id: string
  clientId: string
  roomId: string
  staffId: string
  startsAt: Date
  minutes: number
}
/** Longest visit: so far back one may begin that still runs. */
const LONGEST_MS = VISIT_MINUTES.most * MINUTE_MS

const takenBetween = (from: Date, to: Date): Promise<Taken[]> =>
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

const stretchOf = (zone: string, day: string, { startsAt, minutes }: Taken): Stretch => {
  const from =
    dayIn(zone, startsAt) < day ? minuteIn(zone, startsAt) - DAY_MINUTES : minuteIn(zone, startsAt)
  return { from, to: from + minutes }
}

/** What of a day the house offers: its hours, or the usual ones where it has told none. */
export const offeredOn = (hours: HoursPage, day: string): Stretch[] => {
  const open = openThatDay(hours, null, day)
  const told = hours.openings.some(({ staffId }) => staffId === null)
  return told || open.length === 0 ? open : [USUAL_DAY]
}

/** The free places for a length: by day, then hour; with whom and where is free then. */
export async function freePlaces(query: z.infer<typeof placesQuery>): Promise<Place[]> {
  const { timeZone, cleaningMinutes } = await thePractice()
  const last = addDays(query.from, query.days)
  const [roomRows, people, hours, taken] = await Promise.all([
    database().select().from(rooms).where(eq(rooms.closed, false)).orderBy(asc(rooms.name)),
    database()
      .select()
      .from(staff)
      .where(and(eq(staff.active, true), ne(staff.role, 'receptionist')))
      .orderBy(asc(staff.name)),
    readHours(query.from),
    takenBetween(dayBounds(timeZone, query.from).from, dayBounds(timeZone, last).from),
  ])
  const others = taken.filter(({ id }) => id !== query.visitId)
  const today = dayIn(timeZone, Date.now())
  const out: Place[] = []
  for (let at = 0; at < query.days && out.length < query.most; at++) {
    const day = addDays(query.from, at)
    if (day < today) continue
    const house = offeredOn(hours, day)
    const on = others.map((own) => ({ ...own, ...stretchOf(timeZone, day, own) }))
    const found: Place[] = []
    for (const person of people.filter(({ id }) => id === (query.staffId ?? id)))
      for (const room of roomRows.filter(({ id }) => id === (query.roomId ?? id)))
        for (const minute of placesFor(query.minutes, {
          house,
          person: openThatDay(hours, person.id, day),
          inRoom: on.filter(({ roomId }) => roomId === room.id),
          ofPerson: on.filter(
            ({ staffId, clientId }) => staffId === person.id || clientId === query.clientId,
          ),
          cleaningMinutes,
          ...(day === today ? { notBefore: minuteIn(timeZone, Date.now()) } : {}),
        }))
          found.push({
            startsAt: momentAt(timeZone, day, minute).getTime(),
            day,
            staffId: person.id,
            staff: person.name,
            roomId: room.id,
            room: room.name,
          })
    out.push(...found.sort((one, other) => one.startsAt - other.startsAt))
  }
  return out
}

/** A visit as it is to stand. */
export interface Wanted {
  id: string
  clientId: string
  staffId: string
  roomId: string
  startsAt: Date
  minutes: number
}

/** What of the house a booking is held against: read before the transaction that books. */
export interface HouseHours {
  timeZone: string
  cleaningMinutes: number
  hours: HoursPage
}
export async function hoursAround(at: Date): Promise<HouseHours> {
  const { timeZone, cleaningMinutes } = await thePractice()
  return { timeZone, cleaningMinutes, hours: await readHours(dayIn(timeZone, at)) }
}

/**
 * Everything that is in the way of a visit: taken room, person or client, no time to clean, shut
 * house, somebody away or not at work. Each a sentence; empty where nothing is.
 */
async function inTheWay(
  tx: Transaction,
  wanted: Wanted,
  { timeZone, cleaningMinutes, hours }: HouseHours,
  usualHours = false,
): Promise<string[]> {
  const ends = new Date(wanted.startsAt.getTime() + wanted.minutes * MINUTE_MS)
  const cleaned = cleaningMinutes * MINUTE_MS
  const near = await tx
    .select({
      clientId: visits.clientId,
      staffId: visits.staffId,
      roomId: visits.roomId,
      from: visits.startsAt,
      minutes: visits.minutes,
    })
    .from(visits)
    .where(
      and(
        ne(visits.id, wanted.id),
        ne(visits.status, 'cancelled'),
        eq(visits.imported, false),
        lt(visits.startsAt, new Date(ends.getTime() + cleaned)),
        // Nothing that began longer ago can still run: the index ends the search there.
        gt(visits.startsAt, new Date(wanted.startsAt.getTime() - LONGEST_MS - cleaned)),
        gt(
          sql`${visits.startsAt} + make_interval(mins => ${visits.minutes})`,
          new Date(wanted.startsAt.getTime() - cleaned).toISOString(),
        ),
      ),
    )
  const words = near.flatMap(({ from, minutes, ...other }) => {
    const clock = new Intl.DateTimeFormat('en-GB', { timeStyle: 'short', timeZone })
    const till = new Date(from.getTime() + minutes * MINUTE_MS)
    const when = `${clock.format(from)} to ${clock.format(till)}`
    const both = from < ends && till > wanted.startsAt
    const out: string[] = []
    if (other.roomId === wanted.roomId)
      out.push(
        both
          ? `The room is taken ${when}.`
          : `No time to clean: ${cleaningMinutes} min are needed beside the visit ${when}.`,
      )
    if (both && other.staffId === wanted.staffId) out.push(`The therapist has a visit ${when}.`)
    if (both && other.clientId === wanted.clientId)
      out.push(`The client has a visit ${when} already.`)
    return out
  })
  return [...words, ...outsideHours(hours, wanted, timeZone, usualHours)]
}

/** @param usual in a house that has told no hours the usual day counts as its hours */
function outsideHours(page: HoursPage, wanted: Wanted, zone: string, usual: boolean): string[] {
  const day = dayIn(zone, wanted.startsAt)
  const { from, to } = stretchOf(zone, day, wanted)
  const lies = (open: readonly Stretch[]) =>
    inBoth(open, [{ from, to }]).some((own) => own.from === from && own.to === to)
  const shut = shutThatDay(page, null, day)
  if (shut !== undefined) return [`The practice is closed that day: ${shut}.`]
  const away = shutThatDay(page, wanted.staffId, day)
  if (away !== undefined) return [`The therapist is away that day: ${away}.`]
  return [
    ...(lies(usual ? offeredOn(page, day) : openThatDay(page, null, day))
      ? []
      : ['The practice is not open then.']),
    ...(lies(openThatDay(page, wanted.staffId, day)) ? [] : ['The therapist does not work then.']),
  ]
}

/** @throws ProblemError 422 for a place that lies behind */
export function mustLieAhead({ startsAt, minutes }: Pick<Wanted, 'startsAt' | 'minutes'>): void {
  if (isOver(startsAt.getTime(), minutes, Date.now()))
    throw refused('That time is over. Choose a later one.', [
      { field: 'startsAt', given: startsAt.toISOString(), allowed: 'a time to come' },
    ])
}

/** What is in the way of a visit that is treated then all the same: it is kept beside it. */
export const wordsInTheWay = async (
  tx: Transaction,
  wanted: Wanted,
  house: HouseHours,
): Promise<string> => (await inTheWay(tx, wanted, house)).join(' ')

/**
 * Refuses a visit that is in the way of another or outside the hours, unless an owner says why it
 * stands all the same.
 * @returns the reason to be kept with it, null where nothing is in the way
 * @throws ProblemError 409 with every sentence
 */
export async function placeFor(
  tx: Transaction,
  wanted: Wanted,
  house: HouseHours,
  {
    role,
    because,
    usualHours = false,
  }: { role: string; because?: string | undefined; usualHours?: boolean },
): Promise<string | null> {
  const words = await inTheWay(tx, wanted, house, usualHours)
  if (words.length === 0) return null
  if (because !== undefined && role === 'owner') return because
  const may =
    role === 'owner'
      ? 'Choose another time, or give a reason for booking anyway.'
      : 'Another time, or ask an owner.'
  throw new ProblemError(409, 'In the way', `${words.join(' ')} ${may}`, [
    { field: 'startsAt', given: wanted.startsAt.toISOString(), allowed: words.join(' ') },
  ])
}

/** The seven days from a Monday: how open and how full each is. */
export async function readWeek(anyDay: string): Promise<WeekDay[]> {
  const { timeZone } = await thePractice()
  const monday = addDays(anyDay, 1 - weekdayOf(anyDay))
  const [roomRows, hours, taken] = await Promise.all([
    database().select({ id: rooms.id }).from(rooms).where(eq(rooms.closed, false)),
    readHours(monday),
    takenBetween(
      dayBounds(timeZone, monday).from,
      dayBounds(timeZone, addDays(monday, WEEK_DAYS)).from,
    ),
  ])
  return Array.from({ length: WEEK_DAYS }, (_, at) => {
    const day = addDays(monday, at)
    const own = taken.filter(({ startsAt }) => dayIn(timeZone, startsAt) === day)
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
