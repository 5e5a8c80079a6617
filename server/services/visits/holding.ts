import { and, eq, isNotNull, sql } from 'drizzle-orm'
import { refusal, type Written } from '#core/visit/accepts'
import { plans, visits } from '#db/schema'
import { notFound, refused } from '../../problem/problem'
import type { Visit } from '../access'
import type { Transaction } from '../database'

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

/** @throws ProblemError 422 where this may not be written as the visit stands, with why */
export function mustAccept({ status }: Pick<Visit, 'status'>, what: Written): void {
  const why = refusal(status, what)
  if (why !== undefined) throw refused(why)
}

/** Held for writing this into it. @throws ProblemError 422 where it may not be written */
export async function holdFor(
  tx: Transaction,
  visitId: string,
  what: Written,
  strength: 'share' | 'update' = 'share',
): Promise<Visit> {
  const visit = await holdVisit(tx, visitId, strength)
  mustAccept(visit, what)
  return visit
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

/** What takes a signature off a draft, in the words that stand beside it then. */
export type Unsigning =
  'plan' | 'answers' | 'reading' | 'people' | 'day' | 'patch' | 'aside' | 'wish'
const CHANGED: Readonly<Record<Unsigning, string>> = {
  plan: 'the plan was changed',
  answers: 'answers were changed',
  reading: 'the skin was read anew',
  people: 'another therapist, room or length',
  day: 'moved to another day',
  patch: 'a patch test was read',
  aside: 'a restriction was overridden',
  wish: 'what the client wants or wears was changed',
}

/** When a draft was signed, milliseconds since 1970. */
const SIGNED_AT = sql`(extract(epoch from coalesce(${plans.countersignedAt}, ${plans.at})) * 1000)::bigint`

/**
 * Takes the signature off a draft that is no longer what was signed, and keeps who had signed, when,
 * and what has changed since. What is not signed is left as it is.
 */
export async function unsign(
  tx: Pick<Transaction, 'update' | 'execute'>,
  visitId: string,
  why: Unsigning,
): Promise<void> {
  const gone = await tx
    .update(plans)
    .set({
      countersignedBy: null,
      countersignedHash: null,
      countersignedAt: null,
      unsigned: sql`jsonb_build_object('by', ${plans.countersignedBy}, 'at', ${SIGNED_AT},
        'because', ${CHANGED[why]}::text)`,
    })
    .where(and(eq(plans.visitId, visitId), eq(plans.version, 0), isNotNull(plans.countersignedBy)))
    .returning({ version: plans.version })
  if (gone.length > 0) await tx.execute(sql`select pg_notify('visit', ${visitId}::text)`)
}
