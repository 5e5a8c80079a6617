import { and, asc, eq, isNull } from 'drizzle-orm'
import type { z } from 'zod'
import type { referralAnswerPost, referralPost } from '#contracts/home'
import type { Referral } from '#contracts/replies/home'
import { referrals, staff } from '#db/schema'
import { conflict } from '../../problem/problem'
import type { Visit } from '../access'
import { database } from '../database'
import { mustAccept } from '../visits/holding'
import type { Staff } from '../session/session'

/** Notes for a doctor of one visit, each with its answer once there is one. */
export async function referralsOf(visitId: string): Promise<Referral[]> {
  const rows = await database()
    .select({ own: referrals, by: staff.name })
    .from(referrals)
    .innerJoin(staff, eq(staff.id, referrals.by))
    .where(eq(referrals.visitId, visitId))
    .orderBy(asc(referrals.at))
  return rows.map(({ own, by }) => ({
    ...{ id: own.id, at: own.at.getTime(), by },
    ...{ regions: own.regions, seen: own.seen, since: own.since },
    answer:
      own.answer === null || own.answeredAt === null
        ? null
        : { text: own.answer, at: own.answeredAt.getTime() },
  }))
}

export async function writeReferral(
  me: Staff,
  visit: Visit,
  { id, regions, seen, since }: z.infer<typeof referralPost>,
): Promise<void> {
  mustAccept(visit, 'afterwards')
  await database()
    .insert(referrals)
    .values({ id, visitId: visit.id, regions: [...regions], seen, since, by: me.id })
    .onConflictDoNothing()
}

/** Files what the doctor answered, once. @throws ProblemError 409 where it was filed already */
export async function fileAnswer(
  me: Staff,
  visit: Visit,
  { referralId, answer }: z.infer<typeof referralAnswerPost>,
): Promise<void> {
  const filed = await database()
    .update(referrals)
    .set({ answer, answeredAt: new Date(), answeredBy: me.id })
    .where(
      and(
        eq(referrals.id, referralId),
        eq(referrals.visitId, visit.id),
        isNull(referrals.answeredAt),
      ),
    )
    .returning({ id: referrals.id })
  if (filed.length === 0) throw conflict('There is no such note, or its answer is filed already.')
}
