import { randomUUID } from 'node:crypto'
import { and, asc, desc, eq, isNotNull, isNull } from 'drizzle-orm'
import type { z } from 'zod'
import type { answeredPost, toldPost } from '#contracts/home'
import type { AfterAnswer } from '#contracts/replies/clientFile'
import type { CheckIn } from '#contracts/replies/home'
import { outcomeOf, signWords, type SignAnswers } from '#core/aftercare/grading'
import { ASKED_DAYS } from '#core/catalogue/rules/forecast'
import { OUTCOMES, type OutcomeId } from '#core/catalogue/rules/grading'
import { STRONG } from '#core/catalogue/kinds'
import type { SealedWork } from '#core/record/work'
import { addDays } from '#core/screening/asking/days'
import { forecastAt } from '#core/visit/forecast'
import { checkIns, products, staff, visits } from '#db/schema'
import { conflict, notFound } from '../../problem/problem'
import type { Visit } from '../access'
import { database, type Transaction } from '../database'
import { dayIn } from '../dates'
import { thePractice } from '../practice'
import { MOMENT } from '../visits/moment'
import type { Staff } from '../session/session'
import { forecastKept } from './forecastKept'
import { SAID } from './said'

/** The questions that a visit asks its client, each on its day. @param day ISO day of the visit */
export async function askAfter(
  tx: Transaction,
  visitId: string,
  day: string,
  work: SealedWork | null,
): Promise<void> {
  if (!work) return
  const strong = work.families.some((family) => STRONG.includes(family) || family === 'peel')
  const days = strong ? ASKED_DAYS.strong : ASKED_DAYS.always
  const rows = days.map((later) => ({ id: randomUUID(), visitId, dueOn: addDays(day, later) }))
  await tx.insert(checkIns).values(rows)
}

/** Each question of a visit, with what became of it. */
export async function checkInsOf(visitId: string): Promise<CheckIn[]> {
  const rows = await database()
    .select({ own: SAID, doneBy: staff.name, product: products.name })
    .from(checkIns)
    .leftJoin(staff, eq(staff.id, checkIns.doneBy))
    .leftJoin(products, eq(products.id, checkIns.suspected))
    .where(eq(checkIns.visitId, visitId))
    .orderBy(asc(checkIns.dueOn))
  return rows.map(({ own, doneBy, product }) => ({
    id: own.id,
    dueOn: own.dueOn,
    answeredAt: own.answeredAt?.getTime() ?? null,
    byTelephone: own.toldTo !== null,
    outcome: own.outcome,
    said: own.answers ? signWords(own.answers) : [],
    picture: own.picture,
    done: own.doneAt && { at: own.doneAt.getTime(), by: doneBy ?? '', note: own.note ?? '' },
    suspected: product,
  }))
}

/** Answers of one client after all their visits, the latest first. */
export async function answersOf(clientId: string): Promise<AfterAnswer[]> {
  const rows = await database()
    .select({ own: SAID, visitAt: MOMENT })
    .from(checkIns)
    .innerJoin(visits, eq(visits.id, checkIns.visitId))
    .where(and(eq(visits.clientId, clientId), isNotNull(checkIns.answeredAt)))
    .orderBy(desc(checkIns.answeredAt))
    .limit(SHOWN)
  return rows.flatMap(({ own, visitAt }) =>
    own.answeredAt && own.outcome
      ? [
          {
            ...{ id: own.id, visitId: own.visitId, outcome: own.outcome },
            visitAt: new Date(visitAt).getTime(),
            at: own.answeredAt.getTime(),
            said: own.answers ? signWords(own.answers) : [],
            note: own.note,
          },
        ]
      : [],
  )
}
/** More of them are not shown in a file. */
const SHOWN = 20

/**
 * Takes an answer in, once, graded by what was foreseen; one to be watched is asked again tomorrow.
 * @param toldTo whoever heard it on the telephone; null where the client gave it themselves
 * @throws ProblemError 409 where it was answered already
 */
export async function answer(
  checkInId: string,
  answers: SignAnswers,
  { toldTo, picture }: { toldTo: string | null; picture: Buffer | null },
): Promise<OutcomeId> {
  const { timeZone } = await thePractice()
  const [row] = await database()
    .select({ visit: visits })
    .from(checkIns)
    .innerJoin(visits, eq(visits.id, checkIns.visitId))
    .where(eq(checkIns.id, checkInId))
  if (!row) throw notFound()
  const now = new Date()
  const outcome = outcomeOf(answers, forecastAt(await forecastKept(row.visit), now.getTime()))
  await database().transaction(async (tx) => {
    const kept = await tx
      .update(checkIns)
      .set({ answers, outcome, answeredAt: now, toldTo, jpeg: picture })
      .where(and(eq(checkIns.id, checkInId), isNull(checkIns.answeredAt)))
      .returning({ id: checkIns.id })
    if (kept.length === 0) throw conflict('This was answered already.')
    const { days } = OUTCOMES[outcome]
    if (days === null) return
    const dueOn = addDays(dayIn(timeZone, now), days)
    const there = await tx
      .select({ id: checkIns.id })
      .from(checkIns)
      .where(and(eq(checkIns.visitId, row.visit.id), eq(checkIns.dueOn, dueOn)))
    if (there.length === 0)
      await tx.insert(checkIns).values({ id: randomUUID(), visitId: row.visit.id, dueOn })
  })
  return outcome
}

/** What a client says on the telephone. */
export async function toldByTelephone(
  me: Staff,
  visit: Visit,
  { checkInId, answers }: z.infer<typeof toldPost>,
): Promise<void> {
  await ofVisit(visit, checkInId)
  await answer(checkInId, answers, { toldTo: me.id, picture: null })
}

/** What the house did about an answer; or that it was not given and is let be. */
export async function seenTo(
  me: Staff,
  visit: Visit,
  { checkInId, note, suspected }: z.infer<typeof answeredPost>,
): Promise<void> {
  await ofVisit(visit, checkInId)
  if (suspected !== null) {
    const [there] = await database()
      .select({ id: products.id })
      .from(products)
      .where(eq(products.id, suspected))
    if (!there) throw notFound()
  }
  const done = await database()
    .update(checkIns)
    .set({ doneAt: new Date(), doneBy: me.id, note, suspected })
    .where(and(eq(checkIns.id, checkInId), isNull(checkIns.doneAt)))
    .returning({ id: checkIns.id })
  if (done.length === 0) throw conflict('A colleague has seen to this already.')
}

async function ofVisit(visit: Visit, checkInId: string): Promise<void> {
  const [own] = await database()
    .select({ id: checkIns.id })
    .from(checkIns)
    .where(and(eq(checkIns.id, checkInId), eq(checkIns.visitId, visit.id)))
  if (!own) throw notFound()
}

/** A picture that a client sent along. */
export async function pictureOf(visit: Visit, checkInId: string): Promise<Buffer> {
  const [row] = await database()
    .select({ jpeg: checkIns.jpeg })
    .from(checkIns)
    .where(and(eq(checkIns.id, checkInId), eq(checkIns.visitId, visit.id)))
  if (!row || row.jpeg === null) throw notFound()
  return row.jpeg
}
