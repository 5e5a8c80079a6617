import { and, desc, eq, gte, inArray } from 'drizzle-orm'
import { BEGUN } from '#core/visit/status'
import type { PatchTest } from '#core/screening/products/patch'
import { askAgain } from '#core/screening/asking/retest'
import {
  consultations,
  halfFaces,
  lifts,
  patchReads,
  patchTests,
  plans,
  staff,
  visits,
  withdrawals,
} from '#db/schema'
import type { Visit } from '../access'
import { database } from '../database'
import { photographsOf } from '../visits/photographs'
import { houseRulesNow } from '../house/policy'
import { reactionsOf } from './reactions'

/** How much of a client's past is looked through. */
const MOST = 40

/**
 * What of a client's care joins a visit: tests, signatures taken back, rows set aside or worked
 * more strictly, halves compared, products used before.
 */
export async function careOf(visit: Visit) {
  const [reactions, tests, patchAgain, back, asides, rules, halves, pictures, usedProducts] =
    await Promise.all([
      reactionsOf(visit.clientId),
      testsOf(visit.clientId),
      patchAgainFor(visit.clientId),
      database().select().from(withdrawals).where(eq(withdrawals.clientId, visit.clientId)),
      setAsideOn(visit.id),
      houseRulesNow(),
      halvesOf(visit.id),
      photographsOf(visit.id),
      usedBefore(visit.clientId),
    ])
  return {
    reactions,
    patchTests: tests,
    patchAgain,
    withdrawals: back.map((row) => ({ kinds: row.kinds, at: row.at.getTime() })),
    lifts: asides,
    houseRules: rules.map(({ rule, change, reason }) => ({ rule, change, reason })),
    halves,
    photographs: pictures,
    usedProducts,
  }
}

export async function testsOf(clientId: string): Promise<PatchTest[]> {
  const db = database()
  const tests = await db.select().from(patchTests).where(eq(patchTests.clientId, clientId))
  if (tests.length === 0) return []
  const ids = tests.map((test) => test.id)
  const reads = await db
    .select()
    .from(patchReads)
    .where(inArray(patchReads.testId, ids))
    .orderBy(patchReads.at)
  return tests.map((test) => ({
    id: test.id,
    productId: test.productId,
    place: test.place,
    placedAt: test.at.getTime(),
    reads: reads
      .filter((read) => read.testId === test.id)
      .map((read) => ({ at: read.at.getTime(), result: read.result })),
  }))
}

async function patchAgainFor(clientId: string) {
  const told = await database()
    .select({
      at: consultations.at,
      answers: consultations.answers,
      medicines: consultations.medicines,
    })
    .from(consultations)
    .where(eq(consultations.clientId, clientId))
    .orderBy(desc(consultations.at))
    .limit(MOST)
  const answered = told.map(({ at, answers, medicines }) => ({
    at: at.getTime(),
    answers: answers ?? {},
    medicines: medicines ?? '',
  }))
  return askAgain(answered) ?? null
}

async function setAsideOn(visitId: string) {
  const rows = await database()
    .select({ lift: lifts, by: staff.name })
    .from(lifts)
    .innerJoin(staff, eq(staff.id, lifts.by))
    .where(eq(lifts.visitId, visitId))
    .orderBy(lifts.at)
  return rows.map(({ lift, by }) => ({
    rule: lift.rule,
    word: lift.word ?? '',
    reason: lift.reason ?? '',
    by,
    at: lift.at.getTime(),
  }))
}

async function halvesOf(visitId: string) {
  const rows = await database()
    .select()
    .from(halfFaces)
    .where(eq(halfFaces.visitId, visitId))
    .orderBy(halfFaces.at)
  return rows.map((half) => ({
    id: half.id,
    moment: half.moment,
    worked: half.worked,
    light: half.light,
    grades: half.grades ?? {},
    at: half.at.getTime(),
  }))
}

/** Products of the plans of visits that were treated. */
async function usedBefore(clientId: string): Promise<string[]> {
  const used = await database()
    .select({ steps: plans.steps })
    .from(plans)
    .innerJoin(visits, eq(visits.id, plans.visitId))
    .where(
      and(eq(visits.clientId, clientId), inArray(visits.status, [...BEGUN]), gte(plans.version, 1)),
    )
    .orderBy(desc(plans.at))
    .limit(MOST)
  const products = used.flatMap(({ steps }) =>
    (steps ?? []).flatMap((step) => step.productId ?? []),
  )
  return [...new Set(products)]
}
