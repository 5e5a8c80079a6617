import { and, eq, isNotNull } from 'drizzle-orm'
import { saysNotWell } from '#core/aftercare/grading'
import type { Taken } from '#core/load/rest'
import { checkIns, visits } from '#db/schema'
import { database } from '../database'

/** How each visit of a client was taken, by what was answered afterwards: the gravest counts. */
export async function toldAfterwards(clientId: string): Promise<Map<string, Taken>> {
  const rows = await database()
    .select({ visitId: checkIns.visitId, outcome: checkIns.outcome })
    .from(checkIns)
    .innerJoin(visits, eq(visits.id, checkIns.visitId))
    .where(and(eq(visits.clientId, clientId), isNotNull(checkIns.outcome)))
  const out = new Map<string, Taken>()
  for (const { visitId, outcome } of rows)
    if (outcome !== null && out.get(visitId) !== 'badly')
      out.set(visitId, saysNotWell(outcome) ? 'badly' : 'well')
  return out
}
