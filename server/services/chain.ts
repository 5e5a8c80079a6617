import { asc, count, eq, gt, inArray } from 'drizzle-orm'
import type { ChainStep } from '#contracts/practice'
import { GENESIS, verify } from '#core/record/seal'
import { sealItems, seals } from '#db/schema'
import { database } from './database'

/** Seals looked at in one request: a few hundredths of a second of hashing. */
const STEP = 200

/**
 * Walks a stretch of the practice's chain: each seal stands on the one before, each part fits its
 * commitment or has been erased. Called again from where it ended, so that no request walks all.
 * @param after the number of the last seal that was walked; 0 begins
 */
export async function verifyChainStep(after: number): Promise<ChainStep> {
  const db = database()
  const [[all], [before], rows] = await Promise.all([
    db.select({ total: count() }).from(seals),
    db.select({ head: seals.head }).from(seals).where(eq(seals.number, after)),
    db.select().from(seals).where(gt(seals.number, after)).orderBy(asc(seals.number)).limit(STEP),
  ])
  const total = all?.total ?? 0
  const parts = await partsOf(rows.map((row) => row.visitId))
  let prev = after === 0 ? GENESIS : (before?.head ?? '')
  let walked = after
  let erasedParts = 0
  for (const row of rows) {
    const proof = verify({ prev: row.prev, head: row.head, items: parts.get(row.visitId) ?? [] })
    if (!proof.ok || row.prev !== prev || row.number !== walked + 1)
      return { total, walked, broken: row.number, erasedParts, head: prev, done: true }
    erasedParts += proof.erased.length
    prev = row.head
    walked = row.number
  }
  return { total, walked, broken: null, erasedParts, head: prev, done: rows.length < STEP }
}

async function partsOf(visitIds: readonly string[]) {
  type Item = typeof sealItems.$inferSelect
  const items =
    visitIds.length === 0
      ? []
      : await database()
          .select()
          .from(sealItems)
          .where(inArray(sealItems.visitId, [...visitIds]))
          .orderBy(asc(sealItems.visitId), asc(sealItems.place))
  const byVisit = new Map<string, Item[]>()
  for (const item of items)
    byVisit.set(item.visitId, [
      ...(byVisit.get(item.visitId) ?? []),
      { ...item, content: item.salt === null ? null : (item.content ?? null) },
    ])
  return byVisit
}
