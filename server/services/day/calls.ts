import { and, asc, eq, isNull, lte } from 'drizzle-orm'
import type { CallDue } from '#contracts/replies/day'
import { clients, followUps, visits } from '#db/schema'
import { database } from '../database'

/** Calls that are due by a day and not made yet, of the whole house or of one client. */
export async function callsDue(by: string, clientId?: string): Promise<CallDue[]> {
  return database()
    .select({
      visitId: visits.id,
      clientId: clients.id,
      client: clients.name,
      dueOn: followUps.dueOn,
      reason: followUps.reason,
    })
    .from(followUps)
    .innerJoin(visits, eq(visits.id, followUps.visitId))
    .innerJoin(clients, eq(clients.id, visits.clientId))
    .where(
      and(
        isNull(followUps.doneAt),
        isNull(clients.erasedAt),
        lte(followUps.dueOn, by),
        clientId === undefined ? undefined : eq(clients.id, clientId),
      ),
    )
    .orderBy(asc(followUps.dueOn), asc(clients.name))
}
