import { eq, sql } from 'drizzle-orm'
import { visits } from '#db/schema'
import { notFound, refused } from '../problem/problem'
import type { Visit } from './access'
import type { Transaction } from './database'

/**
 * The visit as it stands now, held until the transaction ends: `update` by whoever changes what it
 * is, `share` by whoever writes into it.
 */
export async function holdVisit(
  tx: Transaction,
  visitId: string,
  strength: 'share' | 'update' = 'update',
): Promise<Visit> {
  const [visit] = await tx.select().from(visits).where(eq(visits.id, visitId)).for(strength)
  if (!visit) throw notFound()
  return visit
}

/** Held for writing into it. @throws ProblemError 422 where it is sealed or was called off */
export async function holdOpen(tx: Transaction, visitId: string): Promise<void> {
  const { status } = await holdVisit(tx, visitId, 'share')
  if (status === 'cancelled') throw refused('This visit was called off. Nothing was saved.')
  if (status === 'sealed') throw refused('This visit is sealed. Amend the record instead.')
}

/** How much was told for a visit: one more answer, reading or signature makes it another number. */
export async function toldCount(
  db: Pick<Transaction, 'execute'>,
  visit: Pick<Visit, 'id' | 'clientId'>,
): Promise<number> {
  const [row] = await db.execute<{ told: string }>(sql`select
    (select count(*) from consultations where client_id = ${visit.clientId})
    + (select count(*) from readings where visit_id = ${visit.id})
    + (select count(*) from consents where client_id = ${visit.clientId})
    + (select count(*) from withdrawals where client_id = ${visit.clientId})
    + (select count(*) from lifts where visit_id = ${visit.id}) as told`)
  return Number(row?.told ?? 0)
}

/** A plan that changes, or is screened anew, loses the signature under it. */
export const UNSIGNED = { countersignedBy: null, countersignedHash: null }
