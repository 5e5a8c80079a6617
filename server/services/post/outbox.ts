import { messageText } from '#core/aftercare/messages'
import { randomUUID } from 'node:crypto'
import { and, desc, eq, gte, isNull, lte, ne, sql } from 'drizzle-orm'
import { DateTime } from 'luxon'
import type { Message, MessagesReply } from '#contracts/replies/home'
import { ASKED_FROM_HOUR } from '#core/catalogue/rules/forecast'
import { MESSAGE_HOURS, QUESTION_DAYS, TRY_AGAIN_MINUTES } from '#core/catalogue/rules/messages'
import { addDays } from '#core/screening/asking/days'
import { toMilliseconds } from '#core/units'
import { checkIns, clients, messages, visits } from '#db/schema'
import { codeOf } from '../../problem/fromDatabase'
import { conflict, refused } from '../../problem/problem'
import { makeHomeLink } from '../after/homeLinks'
import { inCare, type Visit } from '../access'
import { inEachBranch } from '../branches'
import { database, type Transaction } from '../database'
import { dayIn } from '../dates'
import { isUnclaimed } from '../house/firstHour'
import { log } from '../log'
import { thePractice } from '../practice'
import type { Staff } from '../session/session'
import { mustAccept } from '../visits/holding'
import { postIs, putInPost } from './postLine'

/** How many messages one look takes along. */
const BATCH = 20
const SHOWN = 200

/** The next moment at which a message may go out. @param from milliseconds since 1970 */
export function mayGoAt(from: number, timeZone: string): Date {
  const there = DateTime.fromMillis(from, { zone: timeZone })
  if (there.hour >= MESSAGE_HOURS.to)
    return there.plus({ days: 1 }).startOf('day').set({ hour: MESSAGE_HOURS.from }).toJSDate()
  if (there.hour < MESSAGE_HOURS.from)
    return there.startOf('day').set({ hour: MESSAGE_HOURS.from }).toJSDate()
  return there.toJSDate()
}

/** Where a client wants to be written to; undefined where they do not, or left no address. */
const addressFor = ({ messages: way, email, phone }: typeof clients.$inferSelect) =>
  way === 'mail' ? (email ?? undefined) : way === 'text' ? (phone ?? undefined) : undefined

type House = Awaited<ReturnType<typeof thePractice>>
/** Puts a message on its way: a link, and no word of skin or health. */
async function write(
  tx: Transaction,
  house: House,
  client: typeof clients.$inferSelect,
  visitId: string,
  checkInId: string | null,
): Promise<boolean> {
  const sentTo = addressFor(client)
  if (sentTo === undefined || client.messages === 'none') return false
  const token = await makeHomeLink(tx, visitId, checkInId)
  const { origin } = useRuntimeConfig()
  const [kind, page] =
    checkInId === null ? (['card', 'card'] as const) : (['question', 'how'] as const)
  const own = kind === 'card' ? house.cardMessage : house.questionMessage
  const words = messageText(kind, own, house.name, `${origin}/${page}#${token}`)
  const nextAt = mayGoAt(Date.now(), house.timeZone)
  const row = { id: randomUUID(), visitId, clientId: client.id, checkInId, sentTo, words, nextAt }
  await tx
    .insert(messages)
    .values({ ...row, channel: client.messages })
    .onConflictDoNothing()
  return true
}

/** Sends a client the link to their card. @returns its token, and whether a message went out */
export async function sendCard(
  visit: Visit,
  send: boolean,
): Promise<{ token: string; sent: boolean }> {
  mustAccept(visit, 'afterwards')
  const house = await thePractice()
  if (house.phone === '')
    throw refused('The card has no number to call. Enter the practice’s telephone number first.', [
      { field: 'phone', given: '', allowed: 'a number, under Practice' },
    ])
  return database().transaction(async (tx) => {
    const [client] = await tx.select().from(clients).where(eq(clients.id, visit.clientId))
    const sent = send && client !== undefined && (await write(tx, house, client, visit.id, null))
    const token = sent ? '' : await makeHomeLink(tx, visit.id, null)
    return { token, sent }
  })
}

/** Writes the questions that are due and can be asked in writing. */
async function writeDue(): Promise<void> {
  const house = await thePractice()
  const { timeZone } = house
  const today = dayIn(timeZone, Date.now())
  if (DateTime.now().setZone(timeZone).hour < ASKED_FROM_HOUR) return
  const due = await database()
    .select({ id: checkIns.id, visitId: visits.id, client: clients })
    .from(checkIns)
    .innerJoin(visits, eq(visits.id, checkIns.visitId))
    .innerJoin(clients, eq(clients.id, visits.clientId))
    .leftJoin(messages, eq(messages.checkInId, checkIns.id))
    .where(
      and(
        lte(checkIns.dueOn, today),
        gte(checkIns.dueOn, addDays(today, -QUESTION_DAYS)),
        isNull(checkIns.answeredAt),
        isNull(checkIns.doneAt),
        isNull(messages.id),
        isNull(clients.erasedAt),
        ne(clients.messages, 'none'),
      ),
    )
    .limit(BATCH)
  for (const { id, visitId, client } of due)
    await database().transaction((tx) => write(tx, house, client, visitId, id))
}

/**
 * Takes what waits along, a try each. The try is written down before the post office hears of it, and
 * it hears the same id again: what it has it does not send twice.
 */
async function sendWaiting(): Promise<void> {
  const { timeZone } = await thePractice()
  const now = new Date()
  if (mayGoAt(now.getTime(), timeZone).getTime() !== now.getTime()) return
  const again = sql`case ${sql.join(
    TRY_AGAIN_MINUTES.map(
      (minutes, tries) => sql`when tries = ${tries} then make_interval(mins => ${minutes})`,
    ),
    sql` `,
  )} else interval '1 day' end`
  const taken = await database()
    .update(messages)
    .set({ tries: sql`${messages.tries} + 1`, nextAt: sql`now() + ${again}` })
    .where(
      sql`${messages.id} in (select id from messages where status = 'waiting' and next_at <= now()
        order by next_at limit ${BATCH} for update skip locked)`,
    )
    .returning()
  for (const message of taken) await sendOne(message)
}

async function sendOne(message: typeof messages.$inferSelect): Promise<void> {
  const end = (status: 'sent' | 'failed' | 'stopped', trouble: string | null) =>
    database()
      .update(messages)
      .set({ status, trouble, words: null, endedAt: new Date() })
      .where(and(eq(messages.id, message.id), eq(messages.status, 'waiting')))
  const [client] = await database().select().from(clients).where(eq(clients.id, message.clientId))
  if (!client || client.messages === 'none') {
    await end('stopped', 'the client wants no messages')
    return
  }
  if (message.words === null) {
    await end('failed', 'its text was not kept')
    return
  }
  try {
    await putInPost(message.id, message.channel, message.sentTo, message.words)
    await end('sent', null)
  } catch (error) {
    const trouble = error instanceof Error ? error.message : 'not sent'
    if (message.tries > TRY_AGAIN_MINUTES.length) await end('failed', trouble)
    else await database().update(messages).set({ trouble }).where(eq(messages.id, message.id))
  }
}

let busy = false
/** One look at the outbox; one at a time in this server, and no two servers take the same. */
export async function lookThrough(): Promise<void> {
  if (busy || !postIs()) return
  busy = true
  try {
    await inEachBranch(async () => {
      if (await isUnclaimed()) return
      await writeDue()
      await sendWaiting()
    })
  } catch (error) {
    const kind = error instanceof Error ? error.name : 'unknown'
    log.warn({ kind, code: codeOf(error) }, 'outbox')
  } finally {
    busy = false
  }
}

/** What waits, went out or did not, the latest first. */
export async function messagesOf(of: { visitId: string } | { me: Staff }): Promise<Message[]> {
  const rows = await database()
    .select({ own: messages, client: clients.name })
    .from(messages)
    .innerJoin(clients, eq(clients.id, messages.clientId))
    .where('visitId' in of ? eq(messages.visitId, of.visitId) : inCare(of.me))
    .orderBy(desc(messages.at))
    .limit(SHOWN)
  return rows.map(({ own, client }) => ({
    ...{ id: own.id, visitId: own.visitId, clientId: own.clientId, client },
    ...{ channel: own.channel, sentTo: own.sentTo, status: own.status, tries: own.tries },
    carries: own.checkInId === null ? 'card' : 'question',
    nextAt: own.nextAt.getTime(),
    trouble: own.trouble,
    at: own.at.getTime(),
    endedAt: own.endedAt?.getTime() ?? null,
  }))
}

export const allMessages = async (me: Staff): Promise<MessagesReply> => ({
  connected: postIs(),
  timeZone: (await thePractice()).timeZone,
  messages: await messagesOf({ me }),
})

/** Tries a message again at once, or gives it up. @throws ProblemError 409 where it is over */
export async function decide(me: Staff, id: string, does: 'again' | 'stop'): Promise<void> {
  const [own] = (await messagesOf({ me })).filter((message) => message.id === id)
  if (!own) throw conflict('There is no such message in your care.')
  const set =
    does === 'stop'
      ? ({ status: 'stopped', words: null, endedAt: new Date() } as const)
      : ({ nextAt: new Date(Date.now() - toMilliseconds(1)) } as const)
  const done = await database()
    .update(messages)
    .set(set)
    .where(and(eq(messages.id, id), eq(messages.status, 'waiting')))
    .returning({ id: messages.id })
  if (done.length === 0) throw conflict('It is no longer waiting.')
}
