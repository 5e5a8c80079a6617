import type { StaffLink } from '#contracts/replies/house'
import { createHash, randomBytes } from 'node:crypto'
import { and, eq, gt, inArray, isNull, sql } from 'drizzle-orm'
import type { H3Event } from 'h3'
import type { z } from 'zod'
import type { staffPatch, staffPost } from '#contracts/house'
import { treats } from '#core/visit/roles'
import { staff, staffLinks, visits } from '#db/schema'
import { notFound, ProblemError, refused } from '../../problem/problem'
import { database, type Transaction } from '../database'
import { refuseCommon } from '../session/commonPasswords'
import { hashSecret } from '../session/passwords'
import { thePractice } from '../practice'
import { endSessions, thisSession, type Staff } from '../session/session'
import { about } from '../auditing'
import { askAgain } from './askAgain'
import { askPassword } from '../session/askPassword'
import { NO_FACTOR } from '../session/secondFactor'
import { addressOf, countTry, takeBack, tryKey } from '../session/throttle'

/** 256 random bits: not to be guessed. A link lives for a week and opens once. */
const BYTES = 32
const LIFE_MS = 7 * 24 * 3_600_000
const TRIES = 10
/** How a link is kept by which somebody of the house chooses a password. */
export const staffLinkHash = (token: string) =>
  createHash('sha256').update(`staff-link\n${token}`).digest('hex')
const gone = () =>
  new ProblemError(404, 'Not found', 'This link no longer works. Ask the owner for a new one.')

/** Takes somebody in; they choose their own password by the link. */
export async function takeIn(me: Staff, body: z.infer<typeof staffPost>): Promise<StaffLink> {
  const email = body.email.toLowerCase()
  const [there] = await database()
    .select({ id: staff.id })
    .from(staff)
    .where(sql`lower(${staff.email}) = ${email}`)
  if (there && there.id !== body.id)
    throw refused('A colleague has this address already.', [
      { field: 'email', given: body.email, allowed: 'an address of their own' },
    ])
  const { role, again, ...person } = body
  if (role === 'owner') await askAgain(me, again, 'No account was added.')
  await database().transaction(async (tx) => {
    // Nobody comes in as an owner: that is an owner's word, and the database asks for whose.
    const added = await tx
      .insert(staff)
      .values({ ...person, email, role: 'trainee', passwordHash: '' })
      .onConflictDoNothing()
      .returning({ id: staff.id })
    if (added.length > 0) await tx.execute(roleOf(me, body.id, role))
  })
  return linkFor(me, body.id)
}

const roleOf = (me: Staff, who: string, role: Staff['role']) =>
  sql`select change_role(${me.id}::uuid, ${who}::uuid, ${role})`

/** A fresh link for choosing a password; earlier ones that were not used stop working. */
export async function linkFor(me: Staff, staffId: string): Promise<StaffLink> {
  const [person] = await database().select().from(staff).where(eq(staff.id, staffId))
  if (!person?.active) throw notFound()
  const token = randomBytes(BYTES).toString('base64url')
  const expiresAt = new Date(Date.now() + LIFE_MS)
  await database().transaction(async (tx) => {
    await tx
      .update(staffLinks)
      .set({ expiresAt: new Date() })
      .where(and(eq(staffLinks.staffId, staffId), isNull(staffLinks.usedAt)))
    await tx.insert(staffLinks).values({
      id: crypto.randomUUID(),
      staffId,
      tokenHash: staffLinkHash(token),
      expiresAt,
      by: me.id,
    })
  })
  return { token, expiresAt: expiresAt.getTime() }
}

/** What the page shows before a password is chosen. Opening uses nothing up. */
export async function openJoin(event: H3Event, token: string) {
  const { person } = await aliveLink(event, token)
  return { practice: (await thePractice()).name, name: person.name, email: person.email }
}

/**
 * Takes the password, once, and ends every session that stood before. A second factor stays: a link
 * alone opens nothing that has one.
 */
export async function join(event: H3Event, token: string, password: string): Promise<Staff> {
  const { link, person } = await aliveLink(event, token)
  refuseCommon(password)
  const passwordHash = await hashSecret(password)
  await database().transaction(async (tx) => {
    const used = await tx
      .update(staffLinks)
      .set({ usedAt: new Date() })
      .where(and(eq(staffLinks.id, link.id), isNull(staffLinks.usedAt)))
      .returning({ id: staffLinks.id })
    if (used.length === 0) throw gone()
    await tx.update(staff).set({ passwordHash }).where(eq(staff.id, person.id))
    await endSessions(person.id, { on: tx })
  })
  about({ staff: person })
  return { ...person, passwordHash }
}

async function aliveLink(event: H3Event, token: string) {
  const tried = await countTry({ key: tryKey('link', addressOf(event)), most: TRIES })
  const [found] = await database()
    .select({ link: staffLinks, person: staff })
    .from(staffLinks)
    .innerJoin(staff, eq(staff.id, staffLinks.staffId))
    .where(
      and(
        eq(staffLinks.tokenHash, staffLinkHash(token)),
        isNull(staffLinks.usedAt),
        gt(staffLinks.expiresAt, new Date()),
        eq(staff.active, true),
      ),
    )
  if (!found) throw gone()
  await takeBack(tried)
  return found
}

/**
 * Name, address, role, and whether somebody works here still. Who leaves is signed out at once;
 * their records stand.
 */
export async function changeStaff(
  me: Staff,
  id: string,
  body: z.infer<typeof staffPatch>,
): Promise<void> {
  if (id === me.id && (!body.active || body.role !== 'owner'))
    throw refused('You cannot remove your own role of owner: another owner does that.')
  const email = body.email.toLowerCase()
  const { role, again, ...person } = body
  const [before] = await database().select().from(staff).where(eq(staff.id, id))
  if (!before) throw notFound()
  // Who may do what, by which address, and who works here: what opens a house is asked for again.
  if (before.role !== role || before.email !== email || before.active !== body.active)
    await askAgain(me, again, 'Nothing was changed.')
  await database().transaction(async (tx) => {
    if (treats(before.role) && !treats(role)) await mustHoldNothing(tx, id)
    const done = await tx
      .update(staff)
      .set({ ...person, email })
      .where(eq(staff.id, id))
      .returning({ id: staff.id })
    if (done.length === 0) throw notFound()
    await tx.execute(roleOf(me, id, role))
    if (!body.active) await endSessions(id, { on: tx })
  })
}

/** @throws ProblemError 422 where visits are still in this person's hands */
async function mustHoldNothing(tx: Transaction, id: string): Promise<void> {
  const open = ['booked', 'treating', 'closing'] as const
  const [held] = await tx
    .select({ id: visits.id })
    .from(visits)
    .where(and(eq(visits.staffId, id), inArray(visits.status, open)))
    .limit(1)
  if (held)
    throw refused('They still have open visits: first move these to a therapist, or seal them.')
}

/** An owner ends somebody's second factor, where its device and its codes are lost. */
export async function endFactorOf(me: Staff, id: string): Promise<void> {
  if (id === me.id) throw refused('Remove your own second factor under You, with one of its codes.')
  const done = await database()
    .update(staff)
    .set(NO_FACTOR)
    .where(eq(staff.id, id))
    .returning({ id: staff.id })
  if (done.length === 0) throw notFound()
  await endSessions(id)
}

/** A new password needs the old one; every other session of this person ends. */
export async function changePassword(
  event: H3Event,
  me: Staff,
  now: string,
  next: string,
): Promise<void> {
  await askPassword(me, now, 'Nothing was changed.')
  refuseCommon(next)
  await database()
    .update(staff)
    .set({ passwordHash: await hashSecret(next) })
    .where(eq(staff.id, me.id))
  await endSessions(me.id, { but: await thisSession(event) })
}
