import { and, asc, count, eq, gte, inArray, isNull, lte, ne, notExists, or } from 'drizzle-orm'
import type { DueLine } from '#contracts/replies/day'
import { saysNotWell, signWords } from '#core/aftercare/grading'
import { ASKED_DAYS } from '#core/catalogue/rules/forecast'
import { OUTCOMES } from '#core/catalogue/rules/grading'
import { QUESTION_DAYS } from '#core/catalogue/rules/messages'
import { addDays } from '#core/screening/asking/days'
import { checkIns, clients, messages, visits } from '#db/schema'
import { inCare } from '../access'
import { SAID } from '../after/said'
import { database } from '../database'
import type { Staff } from '../session/session'

/** Answers from home that somebody must see to, and strong work of which nothing was heard. */
export async function answersDue(me: Staff, day: string): Promise<DueLine[]> {
  const [heard, unheard, unsent] = await Promise.all([
    answered(me),
    unanswered(me, day),
    notSent(me),
  ])
  return [...heard, ...unheard, ...unsent]
}

async function answered(me: Staff): Promise<DueLine[]> {
  const rows = await database()
    .select({ own: SAID, client: clients.name })
    .from(checkIns)
    .innerJoin(visits, eq(visits.id, checkIns.visitId))
    .innerJoin(clients, eq(clients.id, visits.clientId))
    .where(
      and(
        isNull(checkIns.doneAt),
        ne(checkIns.outcome, 'expected'),
        isNull(clients.erasedAt),
        inCare(me),
      ),
    )
    .orderBy(asc(checkIns.answeredAt))
  return rows.map(({ own, client }) => {
    const outcome = own.outcome ?? 'watch'
    const said = signWords(own.answers ?? {}).join(', ')
    return {
      kind: saysNotWell(outcome) ? 'stop' : 'watch',
      title: `${client}: ${OUTCOMES[outcome].word}`,
      text: said,
      to: `/visits/${own.visitId}/close#afterwards`,
    }
  })
}

/** After strong work somebody asks, where the client does not answer in writing. */
async function unanswered(me: Staff, day: string): Promise<DueLine[]> {
  const strong = database()
    .select({ id: checkIns.visitId })
    .from(checkIns)
    .groupBy(checkIns.visitId)
    .having(gte(count(), ASKED_DAYS.strong.length))
  const sent = database()
    .select({ id: messages.id })
    .from(messages)
    .where(and(eq(messages.checkInId, checkIns.id), inArray(messages.status, ['waiting', 'sent'])))
  const rows = await database()
    .select({ own: SAID, client: clients.name })
    .from(checkIns)
    .innerJoin(visits, eq(visits.id, checkIns.visitId))
    .innerJoin(clients, eq(clients.id, visits.clientId))
    .where(
      and(
        isNull(checkIns.doneAt),
        isNull(checkIns.answeredAt),
        lte(checkIns.dueOn, day),
        gte(checkIns.dueOn, addDays(day, -QUESTION_DAYS)),
        inArray(checkIns.visitId, strong),
        or(eq(clients.messages, 'none'), notExists(sent)),
        isNull(clients.erasedAt),
        inCare(me),
      ),
    )
    .orderBy(asc(checkIns.dueOn))
  return rows.map(({ own, client }) => ({
    kind: 'watch',
    title: `Ask ${client} how the skin is`,
    text: 'strong work some days ago, and no answer yet',
    to: `/visits/${own.visitId}/close#afterwards`,
  }))
}

async function notSent(me: Staff): Promise<DueLine[]> {
  const rows = await database()
    .select({ client: clients.name, trouble: messages.trouble })
    .from(messages)
    .innerJoin(clients, eq(clients.id, messages.clientId))
    .where(and(eq(messages.status, 'failed'), isNull(clients.erasedAt), inCare(me)))
  return rows.map(({ client, trouble }) => ({
    kind: 'watch',
    title: `A message to ${client} was not sent`,
    text: trouble ?? '',
    to: '/practice/messages',
  }))
}
