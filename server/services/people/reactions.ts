import { and, desc, eq, sql } from 'drizzle-orm'
import { signWords } from '#core/aftercare/grading'
import type { PastReaction } from '#core/screening/products/reactions'
import { checkIns, products, visitEvents, visits } from '#db/schema'
import { SAID } from '../after/said'
import { database } from '../database'
import { dayIn } from '../dates'
import { thePractice } from '../practice'
import { elsewhere } from './shares'

/** How many reactions of one client are looked through. */
const MOST = 40
const isReaction = sql`${visitEvents.body}->>'kind' = 'contraAction'`
const suspected = sql<string | null>`${visitEvents.body}->>'suspected'`

/**
 * Reactions of a client for which a product was suspected, the latest first, in whichever practice
 * that may see them.
 */
export async function reactionsOf(clientId: string): Promise<PastReaction[]> {
  const all = await Promise.all([reactionsHere(clientId), elsewhere(clientId, reactionsHere)])
  return all.flat(2).sort((one, other) => other.at - one.at)
}

async function reactionsHere(clientId: string): Promise<PastReaction[]> {
  const { timeZone } = await thePractice()
  const rows = await database()
    .select({ at: visitEvents.at, body: visitEvents.body, product: products })
    .from(visitEvents)
    .innerJoin(visits, eq(visits.id, visitEvents.visitId))
    .innerJoin(products, eq(products.id, suspected))
    .where(and(eq(visits.clientId, clientId), isReaction))
    .orderBy(desc(visitEvents.at))
    .limit(MOST)
  const inTheRoom = rows.flatMap(({ at, body, product }) =>
    body?.kind === 'contraAction'
      ? [
          {
            at,
            day: dayIn(timeZone, new Date(at)),
            productId: product.id,
            productName: product.name,
            inci: product.inci,
            what: body.what,
          },
        ]
      : [],
  )
  return [...inTheRoom, ...(await reactionsAtHome(clientId, timeZone))]
}

/** What was answered from home and put down to a product, by whoever saw to it. */
async function reactionsAtHome(clientId: string, timeZone: string): Promise<PastReaction[]> {
  const rows = await database()
    .select({ answer: SAID, product: products })
    .from(checkIns)
    .innerJoin(visits, eq(visits.id, checkIns.visitId))
    .innerJoin(products, eq(products.id, checkIns.suspected))
    .where(eq(visits.clientId, clientId))
    .orderBy(desc(checkIns.at))
    .limit(MOST)
  return rows.map(({ answer, product }) => {
    const at = answer.answeredAt ?? answer.at
    return {
      at: at.getTime(),
      day: dayIn(timeZone, at),
      productId: product.id,
      productName: product.name,
      inci: product.inci,
      what: `at home: ${signWords(answer.answers ?? {}).join(', ') || 'as the client says'}`,
    }
  })
}

/** In how many reactions each product was suspected, whoever's they were. */
export async function suspectedProducts(): Promise<Map<string, number>> {
  const rows = await database()
    .select({ productId: suspected, count: sql<number>`count(*)::int` })
    .from(visitEvents)
    .where(isReaction)
    .groupBy(suspected)
  return new Map(rows.flatMap(({ productId, count }) => (productId ? [[productId, count]] : [])))
}
