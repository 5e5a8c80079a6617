import { createHash, randomBytes, randomUUID } from 'node:crypto'
import { and, desc, eq, gt } from 'drizzle-orm'
import type { H3Event } from 'h3'
import type { CardReply, HowOpened } from '#contracts/replies/home'
import type { OutcomeId } from '#core/catalogue/rules/grading'
import { OUTCOMES } from '#core/catalogue/rules/grading'
import type { SignAnswers } from '#core/aftercare/grading'
import { readParts, recordParts } from '#core/visit/record'
import { checkIns, clients, homeLinks, homeRoutines, staff, visits } from '#db/schema'
import { DAY_MS } from '#core/units'
import { forecastOfVisit } from '#core/visit/forecast'
import { ProblemError } from '../../problem/problem'
import { database, type Transaction } from '../database'
import { thePractice } from '../practice'
import { addressOf, countTry, takeBack, tryKey } from '../session/throttle'
import { readBundle } from '../visits/bundle'
import { nextBooked } from '../visits/nextVisit'
import { drawnAnew } from '../visits/pictureBytes'
import { answer } from './checkIns'

/** 256 random bits, of which the house keeps the hash alone. */
const BYTES = 32
/** A question is good for three days, a card until the next visit or for six weeks. */
const LIFE_MS = { question: 3 * DAY_MS, card: 42 * DAY_MS }
const TRIES = 10
/** How a link is kept that goes home with a client. */
export const homeLinkHash = (token: string) =>
  createHash('sha256').update(`home-link\n${token}`).digest('hex')
/** One answer for a guessed, an old and an erased link. */
const gone = () =>
  new ProblemError(404, 'Not found', 'This link no longer works. Please call the practice.')

/** A fresh link that goes home with a client. @returns what opens it, this once */
export async function makeHomeLink(
  db: Pick<Transaction, 'insert'>,
  visitId: string,
  checkInId: string | null,
): Promise<string> {
  const token = randomBytes(BYTES).toString('base64url')
  const life = checkInId === null ? LIFE_MS.card : LIFE_MS.question
  const expiresAt = new Date(Date.now() + life)
  const own = { id: randomUUID(), visitId, checkInId, tokenHash: homeLinkHash(token), expiresAt }
  await db.insert(homeLinks).values(own)
  return token
}

async function alive(event: H3Event, token: string, kind: 'question' | 'card') {
  const tried = await countTry({ key: tryKey('link', addressOf(event)), most: TRIES })
  const [found] = await database()
    .select({ link: homeLinks, visit: visits, erasedAt: clients.erasedAt })
    .from(homeLinks)
    .innerJoin(visits, eq(visits.id, homeLinks.visitId))
    .innerJoin(clients, eq(clients.id, visits.clientId))
    .where(and(eq(homeLinks.tokenHash, homeLinkHash(token)), gt(homeLinks.expiresAt, new Date())))
  if (!found || found.erasedAt || (found.link.checkInId === null) !== (kind === 'card'))
    throw gone()
  // Only a guess counts as a try.
  await takeBack(tried)
  return found
}

/** What the page of a question shows: the house and how to reach it, nothing of the file. */
export async function openHow(event: H3Event, token: string): Promise<HowOpened> {
  const { link } = await alive(event, token, 'question')
  const house = await thePractice()
  const [own] = await database()
    .select({ at: checkIns.answeredAt })
    .from(checkIns)
    .where(eq(checkIns.id, link.checkInId ?? ''))
  const { name, phone, emergency } = house
  return { practice: name, phone, emergency, answered: own?.at != null }
}

/**
 * Takes a client's answer in, once, with the picture they sent along.
 * @param jpeg base64
 * @returns what it means for them
 * @throws ProblemError 400 for what is no picture: nothing was answered then
 */
export async function submitHow(
  event: H3Event,
  token: string,
  answers: SignAnswers,
  jpeg: string | null,
): Promise<{ outcome: OutcomeId; says: string }> {
  const { link } = await alive(event, token, 'question')
  const picture = jpeg === null ? null : await drawnAnew(jpeg)
  const outcome = await answer(link.checkInId ?? '', answers, { toldTo: null, picture })
  return { outcome, says: OUTCOMES[outcome].toClient }
}

/** The card as its page shows it, on the client's own device. */
export async function openCard(event: H3Event, token: string): Promise<CardReply> {
  const { visit } = await alive(event, token, 'card')
  const db = database()
  const [holder] = await db.select().from(staff).where(eq(staff.id, visit.staffId))
  if (!holder) throw gone()
  const bundle = await readBundle(holder, visit)
  const parts = bundle.seal ? bundle.record : recordParts(bundle, '')
  const [written] = await db
    .select({ routine: homeRoutines.routine })
    .from(homeRoutines)
    .where(and(eq(homeRoutines.clientId, visit.clientId), eq(homeRoutines.visitId, visit.id)))
    .orderBy(desc(homeRoutines.at))
    .limit(1)
  const next = await nextBooked(visit.clientId, new Date())
  const { name, phone, emergency, timeZone, cardText } = bundle.practice
  return {
    practice: { name, phone, emergency, timeZone, cardText },
    therapist: bundle.staff.name,
    at: bundle.visit.at,
    lines: readParts(parts).aftercare.map(({ rule, sentence, why, until }) => ({
      ...{ rule, sentence, why, until: Date.parse(until) },
    })),
    forecast: forecastOfVisit(bundle),
    routine: written?.routine ?? null,
    next: next && next.startsAt,
  }
}
