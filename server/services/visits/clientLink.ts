import { HOUR_MS, toMilliseconds } from '#core/units'
import { createHash, randomBytes } from 'node:crypto'
import { and, desc, eq, gt, isNotNull, isNull } from 'drizzle-orm'
import type { H3Event } from 'h3'
import type { HomeAsked } from '#core/home/asked'
import type { Answers } from '#core/screening/asking/answers'
import { clientLinks, visits } from '#db/schema'
import { ProblemError } from '../../problem/problem'
import type { Visit } from '../access'
import { database } from '../database'
import { dayIn } from '../dates'
import { thePractice } from '../practice'
import type { Staff } from '../session/session'
import { addressOf, countTry, takeBack, tryKey } from '../session/throttle'
import { accepts } from '#core/visit/accepts'
import { mustAccept } from './holding'

/**
 * 256 random bits: not to be guessed. The link lives for two days, and at most until the visit is
 * over.
 */
const BYTES = 32
const LIFE_MS = 48 * HOUR_MS
const TRIES = 10
/** How a link is kept by which a client fills in the form. */
export const clientLinkHash = (token: string) =>
  createHash('sha256').update(`client-link\n${token}`).digest('hex')
/** Whoever holds a used link is told that it was sent; nothing else of it is said. */
const alreadySent = () =>
  new ProblemError(
    404,
    'Already sent',
    'The answers were sent already. There is nothing more to do; your therapist has them.',
  )
/** One answer for a guessed, an old and a replaced link. */
const gone = () =>
  new ProblemError(404, 'Not found', 'This link no longer works. Ask the practice for a new one.')

/**
 * A fresh link for a visit; earlier ones that were not used stop working. @returns what opens it,
 * this once
 */
export async function makeLink(
  me: Staff,
  visit: Visit,
  id: string,
): Promise<{ token: string; expiresAt: number }> {
  mustAccept(visit, 'link')
  const expiresAt = new Date(
    Math.min(
      Date.now() + LIFE_MS,
      Math.max(Date.now() + HOUR_MS, visit.startsAt.getTime() + toMilliseconds(visit.minutes)),
    ),
  )
  const token = randomBytes(BYTES).toString('base64url')
  await database().transaction(async (tx) => {
    await tx
      .update(clientLinks)
      .set({ expiresAt: new Date() })
      .where(and(eq(clientLinks.visitId, visit.id), isNull(clientLinks.submittedAt)))
    await tx
      .insert(clientLinks)
      .values({ id, visitId: visit.id, tokenHash: clientLinkHash(token), expiresAt, by: me.id })
  })
  return { token, expiresAt: expiresAt.getTime() }
}

/**
 * What the page shows before anything is filled in: the house's name and until when, nothing of the
 * file. Opening uses nothing up.
 */
export async function openForm(
  event: H3Event,
  token: string,
): Promise<{ practice: string; expiresAt: number; today: string }> {
  const link = await alive(event, token)
  const house = await thePractice()
  return {
    practice: house.name,
    expiresAt: link.expiresAt.getTime(),
    today: dayIn(house.timeZone, Date.now()),
  }
}

/** Takes the form in, once. */
export async function submitForm(
  event: H3Event,
  token: string,
  answers: Answers,
  medicines: string,
  home: HomeAsked | null,
): Promise<void> {
  const link = await alive(event, token)
  const done = await database()
    .update(clientLinks)
    .set({ submittedAt: new Date(), answers, medicines, home })
    .where(
      and(
        eq(clientLinks.id, link.id),
        isNull(clientLinks.submittedAt),
        gt(clientLinks.expiresAt, new Date()),
      ),
    )
    .returning({ id: clientLinks.id })
  if (done.length === 0) throw alreadySent()
}

async function alive(event: H3Event, token: string) {
  const tried = await countTry({ key: tryKey('link', addressOf(event)), most: TRIES })
  const [found] = await database()
    .select({ link: clientLinks, status: visits.status })
    .from(clientLinks)
    .innerJoin(visits, eq(visits.id, clientLinks.visitId))
    .where(eq(clientLinks.tokenHash, clientLinkHash(token)))
  // Only a guess counts as a try: a client who comes back to a used link shuts nobody out.
  if (!found) throw gone()
  await takeBack(tried)
  if (found.link.submittedAt !== null) throw alreadySent()
  if (found.link.expiresAt.getTime() <= Date.now() || !accepts(found.status, 'link')) throw gone()
  return found.link
}

/** The latest form the client sent in for a visit. */
export async function fromClient(
  visit: Visit,
): Promise<{ at: number; answers: Answers; medicines: string } | null> {
  const [form] = await database()
    .select()
    .from(clientLinks)
    .where(and(eq(clientLinks.visitId, visit.id), isNotNull(clientLinks.submittedAt)))
    .orderBy(desc(clientLinks.submittedAt))
    .limit(1)
  return form?.submittedAt && form.answers
    ? { at: form.submittedAt.getTime(), answers: form.answers, medicines: form.medicines ?? '' }
    : null
}
