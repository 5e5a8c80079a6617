import { and, eq, exists, gt, or, sql } from 'drizzle-orm'
import { audit, clients, staff, visits } from '#db/schema'
import type { AuditAction } from '#contracts/auditActions'
import { oncePer } from '#core/once'
import { treats } from '#core/visit/roles'
import { forbidden, notFound, ProblemError } from '../problem/problem'
import { subjectNow } from './auditing'
import { database, type Database } from './database'
import type { Staff } from './session/session'

export type Visit = typeof visits.$inferSelect
export type Client = typeof clients.$inferSelect
export type VisitRight = 'read' | 'write' | 'book' | 'seal' | 'countersign' | 'export'

/** One line for every look at, print of and export from a client's file, and for those refused. */
export async function writeAudit(
  me: Staff,
  action: AuditAction,
  allowed: boolean,
  clientId: string | null,
  visitId: string | null = null,
): Promise<void> {
  await database().insert(audit).values({ staffId: me.id, action, allowed, clientId, visitId })
}

/** Milliseconds in which the same look at a list is one look: it refreshes by itself. */
export const LOOK_MS = { list: 3_600_000, search: 60_000 } as const

/** One line for looking at a list of names, however often it is drawn again within a while. */
export async function auditLook(me: Staff, action: AuditAction, withinMs: number): Promise<void> {
  const since = new Date(Date.now() - withinMs)
  const before = and(eq(audit.staffId, me.id), eq(audit.action, action), gt(audit.at, since))
  const [there] = await database().select({ id: audit.id }).from(audit).where(before).limit(1)
  if (!there) await writeAudit(me, action, true, null)
}

/**
 * Whether a person cares for a client: the owner for all; others for those they see, have seen or
 * have entered; the desk for nobody, but it books for all.
 * @throws ProblemError 404 for an unknown client, 403 (and an audit line) for one who is not theirs
 */
export async function clientFor(me: Staff, clientId: string, action: AuditAction): Promise<Client> {
  const [client] = await database().select().from(clients).where(eq(clients.id, clientId))
  if (!client) throw notFound()
  if (client.erasedAt) throw erased()
  const allowed =
    me.role === 'owner' ||
    (treats(me.role)
      ? client.createdBy === me.id || (await seesClient(me, clientId))
      : action === 'visit.book')
  const subject = subjectNow()
  // A deed has its line when it is over, a look has it now.
  if (subject) subject.clientId = clientId
  else await writeAudit(me, action, allowed, clientId)
  if (!allowed) throw forbidden("This client is in a colleague's care.")
  return client
}

/** Whoever was erased is not opened, edited, linked or booked any more. */
const erased = () =>
  new ProblemError(410, 'Erased', 'This file was erased. What must be kept by law holds no name.')

async function seesClient(me: Staff, clientId: string): Promise<boolean> {
  const [one] = await database()
    .select({ id: visits.id })
    .from(visits)
    .where(and(eq(visits.clientId, clientId), eq(visits.staffId, me.id)))
    .limit(1)
  return one !== undefined
}

/**
 * Rights on one visit. The owner may do all. A therapist reads the visits of clients in their care
 * and those of trainees, writes and seals their own,
 * and countersigns trainees. A trainee reads and writes their own, and never seals or exports. The
 * desk books and moves, and reads nothing.
 * Nobody countersigns themselves.
 */
export async function visitRights(me: Staff, visit: Visit): Promise<Record<VisitRight, boolean>> {
  const own = visit.staffId === me.id
  const [holder] = own
    ? [me]
    : await database().select().from(staff).where(eq(staff.id, visit.staffId))
  const forTrainee = holder?.role === 'trainee'
  if (me.role === 'owner')
    return {
      read: true,
      write: true,
      book: true,
      seal: true,
      countersign: forTrainee,
      export: true,
    }
  if (!treats(me.role))
    return {
      read: false,
      write: false,
      book: true,
      seal: false,
      countersign: false,
      export: false,
    }
  if (me.role === 'trainee')
    return { read: own, write: own, book: own, seal: false, countersign: false, export: false }
  const cares = own || forTrainee || (await seesClient(me, visit.clientId))
  return {
    read: cares,
    write: own,
    book: own,
    seal: own || forTrainee,
    countersign: forTrainee && !own,
    export: own,
  }
}

/** Asked on every request that is about a visit: put together once. */
const withErasing = oncePer((db: Database) =>
  db
    .select({ visit: visits, erasedAt: clients.erasedAt })
    .from(visits)
    .innerJoin(clients, eq(clients.id, visits.clientId))
    .where(eq(visits.id, sql.placeholder('id')))
    .prepare('a visit'),
)

/** The visit, if this person has that right on it; refusals leave an audit line. */
export async function visitFor(
  me: Staff,
  visitId: string,
  right: VisitRight,
  action?: AuditAction,
): Promise<Visit> {
  const [found] = await withErasing(database()).execute({ id: visitId })
  if (!found) throw notFound()
  const { visit, erasedAt } = found
  // One gate for everything that hangs on a client: nothing of the erased is read or taken in.
  if (erasedAt) throw erased()
  const subject = subjectNow()
  if (subject) Object.assign(subject, { clientId: visit.clientId, visitId: visit.id })
  const rights = await visitRights(me, visit)
  if (!rights[right]) {
    if (!subject)
      await writeAudit(
        me,
        action ?? (right === 'book' ? 'write' : right),
        false,
        visit.clientId,
        visit.id,
      )
    throw forbidden()
  }
  if (action && !subject) await writeAudit(me, action, true, visit.clientId, visit.id)
  return visit
}

/** Clients a person may open, as a condition for lists. */
export function inCare(me: Staff) {
  if (me.role === 'owner' || !treats(me.role)) return undefined
  const treated = database()
    .select({ id: visits.id })
    .from(visits)
    .where(and(eq(visits.clientId, clients.id), eq(visits.staffId, me.id)))
  return or(eq(clients.createdBy, me.id), exists(treated))
}
