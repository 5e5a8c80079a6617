import { randomUUID } from 'node:crypto'
import { and, asc, eq, gt, gte } from 'drizzle-orm'
import { rooms, staff, visits } from '#db/schema'
import type { Visit } from './access'
import { database } from './database'

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

type Tx = Parameters<Parameters<ReturnType<typeof database>['transaction']>[0]>[0]

/** The visit of a client that is booked for just this moment. */
async function bookedAt(tx: Tx, clientId: string, at: Date) {
  const [booked] = await tx
    .select({ id: visits.id, version: visits.version })
    .from(visits)
    .where(and(eq(visits.clientId, clientId), eq(visits.startsAt, at), eq(visits.status, 'booked')))
    .limit(1)
  return booked
}

/**
 * Puts the next visit on its day: with the same hands, room, length and aims. One that was set
 * before from the same visit is moved, and taken off again where nothing is set; whoever has it open
 * is told by its version.
 * @param to the new moment, null for none
 */
export async function bookNext(tx: Tx, visit: Visit, to: Date | null): Promise<void> {
  const before = visit.nextVisitAt
  const own = before ? await bookedAt(tx, visit.clientId, before) : undefined
  if (own) {
    await tx
      .update(visits)
      .set({
        ...(to === null ? { status: 'cancelled' as const } : { startsAt: to }),
        version: own.version + 1,
      })
      .where(eq(visits.id, own.id))
    return
  }
  if (to === null || (await bookedAt(tx, visit.clientId, to))) return
  await tx.insert(visits).values({
    id: randomUUID(),
    clientId: visit.clientId,
    staffId: visit.staffId,
    roomId: visit.roomId,
    startsAt: to,
    minutes: visit.minutes,
    school: visit.school,
    aims: visit.aims,
  })
}
