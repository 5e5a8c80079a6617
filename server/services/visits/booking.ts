import { and, eq } from 'drizzle-orm'
import type { z } from 'zod'
import { asWorn } from '#core/catalogue/consultation/makeUp'
import { treats } from '#core/visit/roles'
import { isDue } from '#core/visit/status'
import type { visitCreate, visitPatch } from '#contracts/visit'
import { clients, staff, visits } from '#db/schema'
import { conflict, forbidden, refused } from '../../problem/problem'
import { clientFor, type Visit } from '../access'
import { bookNext } from './nextVisit'
import { holdDevices } from '../day/deviceUse'
import { hoursAround, mustLieAhead, placeFor } from '../day/inTheWay'
import { thePractice } from '../practice'
import { database } from '../database'
import { dayIn } from '../dates'
import { mustAccept, unsign, type Unsigning } from './holding'
import type { Staff } from '../session/session'

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
    throw refused('This client is not on file.', [
      { field: 'clientId', given: body.clientId, allowed: 'a client on file' },
    ])
  mustTreat(await worksHere(body.staffId), body.staffId)
  const { id, clientId, staffId, roomId, minutes } = body
  const wanted = { id, clientId, staffId, roomId, minutes, startsAt: new Date(body.startsAt) }
  mustLieAhead(wanted)
  const hours = await hoursAround(wanted.startsAt)
  await database().transaction(async (tx) => {
    const [sent] = await tx.select({ id: visits.id }).from(visits).where(eq(visits.id, id))
    // Sent twice is booked once.
    if (sent) return
    const allowedBecause = await placeFor(tx, wanted, hours, {
      role: me.role,
      because: body.allowedBecause,
    })
    await tx
      .insert(visits)
      // Nothing is chosen for anybody: what it is for and what is worn is asked.
      .values({ ...wanted, allowedBecause, school: house.school, aims: [] })
  })
}

async function worksHere(staffId: string) {
  const [person] = await database()
    .select({ role: staff.role })
    .from(staff)
    .where(and(eq(staff.id, staffId), eq(staff.active, true)))
  return person
}
/** @throws ProblemError 422 where nobody is treated by this person */
function mustTreat(person: Pick<Staff, 'role'> | undefined, staffId: string): void {
  if (person && treats(person.role)) return
  throw refused(
    person ? 'This person treats nobody. Choose a therapist.' : 'This person does not work here.',
    [{ field: 'staffId', given: staffId, allowed: 'somebody who treats clients here' }],
  )
}

type FellAway = NonNullable<z.infer<typeof visitPatch>['fellAway']>
/** @throws ProblemError 422 for a no-show of somebody who is not due yet */
function fallen(
  { startsAt }: Visit,
  { as, because }: FellAway,
): Pick<Visit, 'status' | 'fellAway' | 'fellAwayBecause'> {
  if (as === 'noShow' && !isDue(startsAt.getTime(), Date.now()))
    throw refused('This visit has not begun yet: it can be cancelled, but is no no-show.', [
      { field: 'fellAway', given: 'noShow', allowed: `from ${startsAt.toISOString()} on` },
    ])
  return { status: 'cancelled', fellAway: as, fellAwayBecause: because }
}

/** A visit that fell away is booked again, where its place is still free. */
async function bookedAgain(
  me: Staff,
  visit: Visit,
  { version, allowedBecause }: z.infer<typeof visitPatch>,
): Promise<{ version: number }> {
  if (visit.status !== 'cancelled') throw refused('This visit was not cancelled.')
  const hours = await hoursAround(visit.startsAt)
  const because = allowedBecause ?? visit.allowedBecause ?? undefined
  const done = await database().transaction(async (tx) => {
    const place = await placeFor(tx, visit, hours, { role: me.role, because })
    return tx
      .update(visits)
      .set({
        status: 'booked',
        fellAway: null,
        fellAwayBecause: null,
        allowedBecause: place,
        version: version + 1,
      })
      .where(and(eq(visits.id, visit.id), eq(visits.version, version)))
      .returning({ v: visits.version })
  })
  return seenVersion(done, visit, version)
}

/** @throws ProblemError 409 where nothing was changed: somebody else was quicker */
function seenVersion(
  changed: readonly unknown[],
  visit: Visit,
  version: number,
): { version: number } {
  if (changed.length === 0)
    throw conflict('A colleague has changed this visit. Check it once more.', [
      { field: 'version', given: String(version), allowed: String(visit.version) },
    ])
  return { version: version + 1 }
}

/**
 * Moves or changes a visit that has not begun. An edit that has seen an older version is refused.
 */
export async function changeVisit(
  me: Staff,
  visit: Visit,
  body: z.infer<typeof visitPatch>,
): Promise<{ version: number }> {
  if (body.fellAway === null) return bookedAgain(me, visit, body)
  const { version, startsAt, nextVisitAt, movesNext, fellAway, allowedBecause, makeUp, ...own } =
    body
  const rest = { ...own, ...(makeUp === undefined ? {} : { makeUp: asWorn(makeUp) }) }
  mayChange(me, visit, body)
  if (rest.staffId !== undefined && rest.staffId !== visit.staffId)
    mustTreat(await worksHere(rest.staffId), rest.staffId)
  const { staffId = visit.staffId, roomId = visit.roomId, minutes = visit.minutes } = rest
  const wanted = {
    ...{ id: visit.id, clientId: visit.clientId, staffId, roomId, minutes },
    startsAt: startsAt === undefined ? visit.startsAt : new Date(startsAt),
  }
  const moves =
    wanted.startsAt.getTime() !== visit.startsAt.getTime() ||
    [staffId, roomId, minutes].join() !== [visit.staffId, visit.roomId, visit.minutes].join()
  if (wanted.startsAt.getTime() !== visit.startsAt.getTime()) mustLieAhead(wanted)
  const next = nextVisitAt ? new Date(nextVisitAt) : null
  const [hours, nextHours] = await Promise.all([
    hoursAround(wanted.startsAt),
    hoursAround(next ?? wanted.startsAt),
  ])
  const done = await database().transaction(async (tx) => {
    if (moves || next) await holdDevices(tx)
    const by = { role: me.role, because: allowedBecause }
    const place = moves ? { allowedBecause: await placeFor(tx, wanted, hours, by) } : {}
    const changed = await tx
      .update(visits)
      .set({
        ...rest,
        ...place,
        startsAt: wanted.startsAt,
        ...(nextVisitAt === undefined ? {} : { nextVisitAt: next }),
        ...(fellAway ? fallen(visit, fellAway) : {}),
        version: version + 1,
      })
      .where(and(eq(visits.id, visit.id), eq(visits.version, version)))
      .returning({ v: visits.version })
    if (changed.length > 0 && nextVisitAt !== undefined)
      await bookNext(tx, me, visit, next, { hours: nextHours, because: allowedBecause, movesNext })
    const why = unsignedBy(visit, wanted, rest, nextHours.timeZone)
    if (changed.length > 0 && why) await unsign(tx, visit.id, why)
    return changed
  })
  return seenVersion(done, visit, version)
}

/** What of a visit the desk may change. */
const OF_THE_DESK: readonly string[] = [
  'version',
  'startsAt',
  'minutes',
  'staffId',
  'roomId',
  'lateMinutes',
  'fellAway',
]

/** @throws ProblemError 403 or 422 where the visit, as it stands, takes no such change of this person */
function mayChange(me: Staff, visit: Visit, body: z.infer<typeof visitPatch>): void {
  const { version: _seen, nextVisitAt: _at, movesNext: _moves, allowedBecause: _why, ...own } = body
  if (!treats(me.role) && Object.keys(body).some((field) => !OF_THE_DESK.includes(field)))
    throw forbidden('The desk changes time, room, therapist and lateness. Ask a therapist.')
  if (me.role === 'trainee' && own.staffId !== undefined && own.staffId !== me.id)
    throw forbidden('Trainees cannot hand on a visit. Ask a colleague.')
  const booking = own.startsAt ?? own.fellAway ?? own.roomId ?? own.staffId ?? own.minutes
  if (booking !== undefined) mustAccept(visit, 'booking')
  mustAccept(visit, Object.keys(own).length === 0 ? 'next' : 'wishes')
}

/** What of a change takes a colleague's signature off the plan: only what was signed. */
function unsignedBy(
  visit: Visit,
  wanted: { staffId: string; roomId: string; minutes: number; startsAt: Date },
  rest: Partial<Visit>,
  zone: string,
): Unsigning | undefined {
  const people = (['staffId', 'roomId', 'minutes'] as const).some(
    (key) => wanted[key] !== visit[key],
  )
  if (people) return 'people'
  if (dayIn(zone, wanted.startsAt) !== dayIn(zone, visit.startsAt)) return 'day'
  const wish = (['aims', 'named', 'makeUp', 'school', 'evening'] as const).some(
    (key) => rest[key] !== undefined && JSON.stringify(rest[key]) !== JSON.stringify(visit[key]),
  )
  return wish ? 'wish' : undefined
}
