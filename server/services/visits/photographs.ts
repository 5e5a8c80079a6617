import { createHash } from 'node:crypto'
import { and, count, eq } from 'drizzle-orm'
import type { z } from 'zod'
import type { photographPost } from '#contracts/care'
import type { Photograph } from '#core/visit/photographs'
import { pictureWish } from '#core/visit/photographs'
import { clients, photographs } from '#db/schema'
import { notFound, refused } from '../../problem/problem'
import type { Visit } from '../access'
import { database } from '../database'
import { holdFor } from './holding'
import { drawnAnew } from './pictureBytes'
import type { Staff } from '../session/session'

/** More of one visit are no record any more, and fill the house. */
const MOST = 12

/**
 * Keeps a picture, once, while the visit is open.
 * @throws ProblemError 409 where the client wishes none, the visit is closed or has enough of them
 */
export async function savePhotograph(
  me: Staff,
  visit: Visit,
  { id, regions, jpeg }: z.infer<typeof photographPost>,
): Promise<void> {
  const bytes = await drawnAnew(jpeg)
  const sha256 = createHash('sha256').update(bytes).digest('hex')
  await database().transaction(async (tx) => {
    // Held, so that many at once are counted one after the other.
    const { clientId } = await holdFor(tx, visit.id, 'photographs', 'update')
    const [client] = await tx
      .select({ preferences: clients.preferences })
      .from(clients)
      .where(eq(clients.id, clientId))
    if (pictureWish(client?.preferences ?? {}) === 'no')
      throw refused('This client does not want photographs.')
    const [there] = await tx
      .select({ n: count() })
      .from(photographs)
      .where(eq(photographs.visitId, visit.id))
    const [again] = await tx
      .select({ id: photographs.id })
      .from(photographs)
      .where(eq(photographs.id, id))
    if (again) return
    if ((there?.n ?? 0) >= MOST) throw refused(`${MOST} pictures of this visit are stored already.`)
    await tx
      .insert(photographs)
      .values({ id, visitId: visit.id, regions, sha256, by: me.id, jpeg: bytes })
  })
}

/** The pictures of a visit without their bytes, in their order. */
export async function photographsOf(visitId: string): Promise<Photograph[]> {
  const rows = await database()
    .select({
      id: photographs.id,
      at: photographs.at,
      regions: photographs.regions,
      sha256: photographs.sha256,
    })
    .from(photographs)
    .where(eq(photographs.visitId, visitId))
    .orderBy(photographs.at)
  return rows.map((row) => ({ ...row, at: row.at.getTime() }))
}

/** @throws ProblemError 404 where there is none, or it was erased */
export async function readPhotograph(visit: Visit, id: string): Promise<Buffer> {
  const [row] = await database()
    .select({ jpeg: photographs.jpeg })
    .from(photographs)
    .where(and(eq(photographs.visitId, visit.id), eq(photographs.id, id)))
  if (!row?.jpeg) throw notFound()
  return row.jpeg
}
