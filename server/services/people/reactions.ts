import { and, desc, eq, sql } from 'drizzle-orm'
import type { PastReaction } from '#core/screening/products/reactions'
import { products, visitEvents, visits } from '#db/schema'
import { database } from '../database'
import { dayIn } from '../dates'
import { thePractice } from '../practice'

/** How many reactions of one client are looked through. */
const MOST = 40
const isReaction = sql`${visitEvents.body}->>'kind' = 'contraAction'`
const suspected = sql<string | null>`${visitEvents.body}->>'suspected'`

/** Reactions of a client for which a product was suspected, the latest first. */
export async function reactionsOf(clientId: string): Promise<PastReaction[]> {
  const { timeZone } = await thePractice()
  const rows = await database()
    .select({ at: visitEvents.at, body: visitEvents.body, product: products })
    .from(visitEvents)
    .innerJoin(visits, eq(visits.id, visitEvents.visitId))
    .innerJoin(products, eq(products.id, suspected))
    .where(and(eq(visits.clientId, clientId), isReaction))
    .orderBy(desc(visitEvents.at))
    .limit(MOST)
  return rows.flatMap(({ at, body, product }) =>
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
