import { asc, count, eq, gt, inArray, isNotNull, max } from 'drizzle-orm'
import type { AmendmentLink } from '#core/record/amendment'
import type { SealRow } from '#core/record/walk'
import type { Database } from './owner'
import { amendments, sealItems, seals } from './schema'

/** Whoever may read the tables: the server in its pool, or the tool at the terminal. */
type Reader = Pick<Database, 'select'>

/** A stretch of the seals of a house with their parts, as they are walked. */
export async function sealRows(db: Reader, after: number, most: number): Promise<SealRow[]> {
  const rows = await db
    .select()
    .from(seals)
    .where(gt(seals.number, after))
    .orderBy(asc(seals.number))
    .limit(most)
  if (rows.length === 0) return []
  const items = await db
    .select()
    .from(sealItems)
    .where(
      inArray(
        sealItems.visitId,
        rows.map(({ visitId }) => visitId),
      ),
    )
    .orderBy(asc(sealItems.visitId), asc(sealItems.place))
  const byVisit = new Map<string, SealRow['items'][number][]>()
  for (const { visitId, name, commitment, content, salt } of items) {
    const own = byVisit.get(visitId) ?? []
    own.push({ name, commitment, salt, content: salt === null ? null : (content ?? null) })
    byVisit.set(visitId, own)
  }
  return rows.map((row) => ({ ...row, items: byVisit.get(row.visitId) ?? [] }))
}

/** How many seals there are to walk. */
export async function sealCount(db: Reader): Promise<number> {
  const [row] = await db.select({ n: count() }).from(seals)
  return row?.n ?? 0
}

/** The amendments of a house that stand in their chain, each with the seal it stands on. */
export async function amendmentLinks(db: Reader): Promise<AmendmentLink[]> {
  const rows = await db
    .select({ own: amendments, seal: seals.head })
    .from(amendments)
    .innerJoin(seals, eq(seals.visitId, amendments.visitId))
    .where(isNotNull(amendments.number))
    .orderBy(asc(amendments.number))
  return rows.map(({ own, seal }) => ({
    number: own.number ?? 0,
    prev: own.prev ?? '',
    head: own.head ?? '',
    commitment: own.commitment ?? '',
    salt: own.salt,
    said: saidBy(own, seal),
  }))
}

/** What was said, or nothing where it was erased. */
function saidBy(own: typeof amendments.$inferSelect, seal: string): AmendmentLink['said'] {
  const { id, before, after, reason, by, at } = own
  if (before === null || after === null || reason === null) return null
  return { id, seal, before, after, reason, by, at: at.toISOString() }
}

/** How far the seals and the amendments go, by their numbers, and the heads that stand at two numbers. */
export async function headsAt(
  db: Reader,
  at: { seals: number; amendments: number },
): Promise<{
  seals: number
  head: string | undefined
  amendments: number
  amendmentsHead: string | undefined
}> {
  const [[sealed], [amended], [seal], [amendment]] = await Promise.all([
    db.select({ total: max(seals.number) }).from(seals),
    db.select({ total: max(amendments.number) }).from(amendments),
    db.select({ head: seals.head }).from(seals).where(eq(seals.number, at.seals)),
    db
      .select({ head: amendments.head })
      .from(amendments)
      .where(eq(amendments.number, at.amendments)),
  ])
  return {
    seals: sealed?.total ?? 0,
    head: seal?.head,
    amendments: amended?.total ?? 0,
    amendmentsHead: amendment?.head ?? undefined,
  }
}
