import { randomUUID } from 'node:crypto'
import { and, asc, eq, gt, gte } from 'drizzle-orm'
import { asRead } from '#core/dateForms'
import { rooms, staff, visits } from '#db/schema'
import type { Visit } from '../access'
import { ProblemError, refused } from '../../problem/problem'
import { database, type Transaction } from '../database'
import { placeFor, type HouseHours } from '../day/inTheWay'
import type { Staff } from '../session/session'

/** A visit that is booked ahead, with where and by whom. */
export interface BookedAhead {
  id: string
  startsAt: number
  minutes: number
  room: string
  staff: string
}

/** The next visit of a client that is booked from this moment on; `after` a visit, not that one. */
export async function nextBooked(
  clientId: string,
  from: Date,
  after = false,
): Promise<BookedAhead | null> {
  const [next] = await database()
    .select({
      id: visits.id,
      startsAt: visits.startsAt,
      minutes: visits.minutes,
      room: rooms.name,
      staff: staff.name,
    })
    .from(visits)
    .innerJoin(rooms, eq(rooms.id, visits.roomId))
    .innerJoin(staff, eq(staff.id, visits.staffId))
    .where(
      and(
        eq(visits.clientId, clientId),
        after ? gt(visits.startsAt, from) : gte(visits.startsAt, from),
        eq(visits.status, 'booked'),
      ),
    )
    .orderBy(asc(visits.startsAt))
    .limit(1)
  return next ? { ...next, startsAt: next.startsAt.getTime() } : null
}

/** The visit of a client that is booked for just this moment. */
async function bookedAt(tx: Transaction, clientId: string, at: Date) {
  const [booked] = await tx
    .select({ id: visits.id, version: visits.version })
    .from(visits)
    .where(and(eq(visits.clientId, clientId), eq(visits.startsAt, at), eq(visits.status, 'booked')))
    .limit(1)
  return booked
}

/** How a next visit is set: within which hours, why all the same, and whether one is moved for it. */
interface Setting {
  hours: HouseHours
  because?: string | undefined
  movesNext?: boolean | undefined
}

/**
 * Puts the next visit on its day: with the same hands, room and length; what it is for is asked then.
 * One that was booked before from the same visit is moved when that is said, and taken off again
 * where nothing is set; whoever has it open is told by its version.
 * @param to the new moment, null for none
 * @throws ProblemError 422 for a moment that is over; 409 where one is booked already and nobody said
 *   to move it, or where room, hands or hours are in the way, with what is
 */
export async function bookNext(
  tx: Transaction,
  me: Staff,
  visit: Visit,
  to: Date | null,
  { hours, because, movesNext }: Setting,
): Promise<void> {
  const before = visit.nextVisitAt
  const own = before ? await bookedAt(tx, visit.clientId, before) : undefined
  const version = (own?.version ?? 0) + 1
  if (to === null) {
    if (!own) return
    const off = { status: 'cancelled', fellAway: 'calledOff', version } as const
    await tx.update(visits).set(off).where(eq(visits.id, own.id))
    return
  }
  if (to.getTime() <= Date.now())
    throw refused('That moment is over: the next visit lies ahead.', [
      { field: 'nextVisitAt', given: to.toISOString(), allowed: 'a moment to come' },
    ])
  if (await bookedAt(tx, visit.clientId, to)) return
  if (own && before && movesNext !== true) {
    const when = whenIn(hours.timeZone, before)
    throw new ProblemError(
      409,
      'Booked already',
      `The next visit is booked for ${when}. Confirm that it is to be moved.`,
      [{ field: 'movesNext', given: 'not said', allowed: `moves the one of ${when}` }],
    )
  }
  const { clientId, staffId, roomId, minutes, school } = visit
  const booking = { id: own?.id ?? randomUUID(), clientId, staffId, roomId, minutes, startsAt: to }
  const by = { role: me.role, because, usualHours: true }
  const allowedBecause = await placeFor(tx, booking, hours, by)
  if (own)
    await tx
      .update(visits)
      .set({ startsAt: to, version, allowedBecause })
      .where(eq(visits.id, own.id))
  else await tx.insert(visits).values({ ...booking, school, allowedBecause })
}

/** "Sat 28 Nov, 10:00", by the house's clock. */
const whenIn = (timeZone: string, at: Date): string => asRead('dayAndClock', at, timeZone)
