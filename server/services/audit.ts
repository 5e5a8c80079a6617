import type { AuditPage } from '#contracts/replies/audit'
import { and, desc, eq, like, lt } from 'drizzle-orm'
import { AUDIT_PAGE, type AuditQuery } from '#contracts/audit'
import { audit, clients, staff } from '#db/schema'
import { database } from './database'
import { dayBounds } from './dates'
import { thePractice } from './practice'

/** A page of what was looked at, changed and refused, the newest first. */
export async function readAudit(query: AuditQuery): Promise<AuditPage> {
  const { timeZone } = await thePractice()
  const { before, staffId, clientId, what, until, refused } = query
  const [rows, people] = await Promise.all([
    database()
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
          before === undefined ? undefined : lt(audit.id, before),
          staffId === undefined ? undefined : eq(audit.staffId, staffId),
          clientId === undefined ? undefined : eq(audit.clientId, clientId),
          what ? like(audit.action, `${what}%`) : undefined,
          until === undefined ? undefined : lt(audit.at, dayBounds(timeZone, until).to),
          refused === undefined ? undefined : eq(audit.allowed, false),
        ),
      )
      .orderBy(desc(audit.id))
      .limit(AUDIT_PAGE),
    database().select({ id: staff.id, name: staff.name }).from(staff).orderBy(staff.name),
  ])
  return {
    lines: rows.map((line) => ({ ...line, at: line.at.getTime() })),
    timeZone,
    people,
    next: rows.length === AUDIT_PAGE ? (rows.at(-1)?.id ?? null) : null,
  }
}
