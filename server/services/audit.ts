import type { AuditPage } from '#contracts/replies/audit'
import { and, desc, eq, inArray, lt, sql } from 'drizzle-orm'
import { AUDIT_PAGE, type AuditQuery } from '#contracts/audit'
import { AUDIT_ACTIONS } from '#contracts/auditActions'
import { audit, clients, staff } from '#db/schema'
import { lookingBack } from './database'
import { dayBounds } from './dates'
import { thePractice } from './practice'

/** Every action that begins with these letters: named one by one, so that their index finds them. */
const actionsFrom = (letters: string): string[] =>
  Object.keys(AUDIT_ACTIONS).filter((action) => action.startsWith(letters))

/** A page of what was looked at, changed and refused, the newest first. */
export async function readAudit(query: AuditQuery): Promise<AuditPage> {
  const { timeZone } = await thePractice()
  const { before, staffId, clientId, what, until, refused } = query
  const [rows, people] = await Promise.all([
    lookingBack()
      .select({
        id: audit.id,
        at: audit.at,
        action: audit.action,
        allowed: audit.allowed,
        staff: staff.name,
        client: clients.name,
      })
      .from(audit)
      .leftJoin(staff, eq(staff.id, audit.staffId))
      .leftJoin(clients, eq(clients.id, audit.clientId))
      .where(
        and(
          before === undefined
            ? undefined
            : sql`(${audit.at}, ${audit.id}) < (select at, id from audit where id = ${before})`,
          staffId === undefined ? undefined : eq(audit.staffId, staffId),
          clientId === undefined ? undefined : eq(audit.clientId, clientId),
          what ? inArray(audit.action, actionsFrom(what)) : undefined,
          until === undefined ? undefined : lt(audit.at, dayBounds(timeZone, until).to),
          refused === undefined ? undefined : eq(audit.allowed, false),
        ),
      )
      .orderBy(desc(audit.at), desc(audit.id))
      .limit(AUDIT_PAGE),
    lookingBack().select({ id: staff.id, name: staff.name }).from(staff).orderBy(staff.name),
  ])
  return {
    lines: rows.map((line) => ({ ...line, at: line.at.getTime() })),
    timeZone,
    people,
    next: rows.length === AUDIT_PAGE ? (rows.at(-1)?.id ?? null) : null,
  }
}
