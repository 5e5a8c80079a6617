import { randomUUID } from 'node:crypto'
import { and, asc, eq, gt, gte } from 'drizzle-orm'
import { rooms, staff, visits } from '#db/schema'
import type { Visit } from './access'
import { database, type Transaction } from './database'
import { placeFor, type HouseHours } from './places'
import type { Staff } from './session'

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

/**
 * Puts the next visit on its day: with the same hands, room, length, aims and make-up. One that was
 * before from the same visit is moved, and taken off again where nothing is set; whoever has it open
 * is told by its version.
 * @param to the new moment, null for none
 * @param hours of the house around it, read before this transaction
 * @throws ProblemError 409 where the room or the hands are taken then, with what is in the way
 */
export async function bookNext(
  tx: Transaction,
  me: Staff,
  visit: Visit,
  to: Date | null,
  hours: HouseHours,
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
  if (await bookedAt(tx, visit.clientId, to)) return
  const { clientId, staffId, roomId, minutes, school, aims, makeUp } = visit
  const booking = { id: own?.id ?? randomUUID(), clientId, staffId, roomId, minutes, startsAt: to }
  await placeFor(tx, booking, hours, { role: me.role })
  if (own) await tx.update(visits).set({ startsAt: to, version }).where(eq(visits.id, own.id))
  else await tx.insert(visits).values({ ...booking, school, aims, makeUp })
}
