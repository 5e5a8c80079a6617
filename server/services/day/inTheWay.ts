import { asRead } from '#core/dateForms'
import { MINUTE_MS } from '#core/units'
import type { HoursPage } from '#contracts/replies/house'
import { and, eq, gt, lt, ne, sql } from 'drizzle-orm'
import { clashesOf, freeAfter } from '#core/timing/sharedDevices'
import { inBoth, type Stretch } from '#core/timing/places'
import { isOver } from '#core/visit/status'
import { staff, visits } from '#db/schema'
import { ProblemError, refused } from '../../problem/problem'
import { severalBranches } from '../branches'
import type { Transaction } from '../database'
import { dayIn } from '../dates'
import { openThatDay, readHours, shutThatDay } from '../house/hours'
import { takenElsewhere } from '../people/shares'
import { thePractice } from '../practice'
import { devicesInUse, holdDevices, wantedBy } from './deviceUse'
import { LONGEST_MS, offeredOn, stretchOf } from './openings'

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
  /** Whether its people may work in other practices too. */
  several: boolean
}
export async function hoursAround(at: Date): Promise<HouseHours> {
  const { timeZone, cleaningMinutes } = await thePractice()
  const hours = await readHours(dayIn(timeZone, at))
  return { timeZone, cleaningMinutes, hours, several: await severalBranches() }
}

/**
 * Everything that is in the way of a visit: taken room, person or client, no time to clean, shut
 * house, somebody away or not at work. Each a sentence; empty where nothing is.
 */
async function inTheWay(
  tx: Transaction,
  wanted: Wanted,
  house: HouseHours,
  usualHours = false,
): Promise<string[]> {
  const { timeZone, cleaningMinutes, hours } = house
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
    const till = new Date(from.getTime() + minutes * MINUTE_MS)
    const when = `${asRead('clock', from, timeZone)} to ${asRead('clock', till, timeZone)}`
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
  return [
    ...words,
    ...(house.several ? await personElsewhere(tx, wanted, timeZone) : []),
    ...(await devicesElsewhere(tx, wanted, timeZone)),
    ...outsideHours(hours, wanted, timeZone, usualHours),
  ]
}

/** The therapist's visits in other practices of the house: that they are taken, and nothing of whom. */
async function personElsewhere(
  tx: Transaction,
  wanted: Wanted,
  timeZone: string,
): Promise<string[]> {
  const [person] = await tx
    .select({ email: staff.email })
    .from(staff)
    .where(eq(staff.id, wanted.staffId))
  if (!person) return []
  const to = new Date(wanted.startsAt.getTime() + wanted.minutes * MINUTE_MS)
  const taken = await takenElsewhere(tx, [person.email], { from: wanted.startsAt, to })
  return taken.map(({ startsAt, minutes }) => {
    const till = new Date(startsAt.getTime() + minutes * MINUTE_MS)
    const clock = (moment: Date) => asRead('clock', moment, timeZone)
    return `The therapist has a visit in another practice ${clock(startsAt)} to ${clock(till)}.`
  })
}

/** Devices of the visit's own plan that other rooms use then, and when that plan would have them. */
async function devicesElsewhere(
  tx: Transaction,
  wanted: Wanted,
  timeZone: string,
): Promise<string[]> {
  const own = await wantedBy(tx, wanted.id)
  if (own.length === 0) return []
  const inUse = await devicesInUse(tx, wanted, timeZone)
  const later = new Date(wanted.startsAt.getTime() + freeAfter(own, inUse) * MINUTE_MS)
  const from = asRead('clock', later, timeZone)
  const said = clashesOf(own, inUse).map(({ by: { name, words } }) => `The ${name} is ${words}.`)
  return said.length > 0 ? [...new Set(said), `Free for its plan from ${from} on.`] : []
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
  await holdDevices(tx)
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
