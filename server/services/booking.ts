import { and, eq } from 'drizzle-orm'
import type { z } from 'zod'
import type { visitCreate, visitPatch } from '#contracts/visit'
import { USUAL_AIMS } from '#core/catalogue/kinds'
import { clients, plans, staff, visits } from '#db/schema'
import { conflict, forbidden, refused } from '../problem/problem'
import { clientFor, type Visit } from './access'
import { bookNext } from './nextVisit'
import { thePractice } from './practice'
import { database } from './database'
import type { Staff } from './session'

/**
 * Books a visit, for clients in one's care; the owner for all, which is how a client passes to a
 * colleague. A trainee books for themselves only.
 */
export async function addVisit(me: Staff, body: z.infer<typeof visitCreate>): Promise<void> {
  if (me.role === 'trainee' && body.staffId !== me.id)
    throw forbidden('A trainee books for themselves.')
  const house = await thePractice()
  const [client] = await database().select().from(clients).where(eq(clients.id, body.clientId))
  if (client) await clientFor(me, client.id, 'visit.book')
  if (!client || client.erasedAt)
    throw refused('This client is not in the house.', [
      { field: 'clientId', given: body.clientId, allowed: 'a client of the house' },
    ])
  const [holder] = await database()
    .select()
    .from(staff)
    .where(and(eq(staff.id, body.staffId), eq(staff.active, true)))
  if (!holder)
    throw refused('This person does not work here.', [
      { field: 'staffId', given: body.staffId, allowed: 'someone who works here' },
    ])
  await database()
    .insert(visits)
    .values({
      id: body.id,
      clientId: body.clientId,
      staffId: body.staffId,
      roomId: body.roomId,
      startsAt: new Date(body.startsAt),
      minutes: body.minutes,
      school: house.school,
      aims: [...USUAL_AIMS],
    })
    .onConflictDoNothing()
}

/**
 * Moves or changes a visit that has not begun. An edit that has seen an older version is refused.
 */
export async function changeVisit(
  visit: Visit,
  body: z.infer<typeof visitPatch>,
): Promise<{ version: number }> {
  const { version, startsAt, nextVisitAt, cancelled, ...rest } = body
  const onlyNext =
    startsAt === undefined && cancelled === undefined && Object.keys(rest).length === 0
  if (visit.status === 'sealed' && !onlyNext) throw refused('A sealed visit is not changed.')
  if (
    visit.status !== 'booked' &&
    (startsAt !== undefined || cancelled || rest.roomId || rest.staffId || rest.minutes)
  )
    throw refused('The treatment has begun: the booking stands as it is.')
  const done = await database().transaction(async (tx) => {
    const changed = await tx
      .update(visits)
      .set({
        ...rest,
        ...(startsAt === undefined ? {} : { startsAt: new Date(startsAt) }),
        ...(nextVisitAt === undefined
          ? {}
          : { nextVisitAt: nextVisitAt === null ? null : new Date(nextVisitAt) }),
        ...(cancelled ? { status: 'cancelled' as const } : {}),
        version: version + 1,
      })
      .where(and(eq(visits.id, visit.id), eq(visits.version, version)))
      .returning({ v: visits.version })
    if (changed.length > 0 && nextVisitAt !== undefined)
      await bookNext(tx, visit, nextVisitAt === null ? null : new Date(nextVisitAt))
    return changed
  })
  if (done.length === 0)
    throw conflict('A colleague has changed this visit meanwhile. Look at it once more.', [
      { field: 'version', given: String(version), allowed: String(visit.version) },
    ])
  await database()
    .update(plans)
    .set({ countersignedBy: null })
    .where(and(eq(plans.visitId, visit.id), eq(plans.version, 0)))
  return { version: version + 1 }
}
