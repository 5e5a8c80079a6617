import type { LotHistory } from '#contracts/replies/shelf'
import { randomUUID } from 'node:crypto'
import { and, asc, desc, eq, inArray, or, sql } from 'drizzle-orm'
import type { recallPost } from '#contracts/shelf'
import type { z } from 'zod'
import { productsOf } from '#core/record/bottles'
import { readParts, recordParts } from '#core/visit/record'
import { fromHundredths } from '#core/units'
import { clients, lotMovements, lots, sealItems, staff, visitEvents, visits } from '#db/schema'
import { refused } from '../../problem/problem'
import { readBare } from '../visits/bareBundle'
import { database } from '../database'
import { dayIn } from '../dates'
import { MOMENT } from '../visits/moment'
import { thePractice } from '../practice'
import type { Staff } from '../session/session'

/**
 * Calls back every bottle of a code, whatever the product.
 * @returns how many bottles it were, and who had of them
 */
export async function recall(me: Staff, body: z.infer<typeof recallPost>) {
  const bottles = await database().transaction(async (tx) => {
    const found = await tx
      .update(lots)
      .set({ recalled: true })
      .where(sql`lower(${lots.code}) = ${body.code.toLowerCase()}`)
      .returning({ id: lots.id })
    if (found.length === 0)
      throw refused('No bottle here has this code.', [
        { field: 'code', given: body.code, allowed: 'a code as printed on a bottle' },
      ])
    for (const { id: lotId } of found)
      await tx.insert(lotMovements).values({
        id: randomUUID(),
        lotId,
        kind: 'recalled',
        hundredths: 0,
        reason: body.reason,
        by: me.id,
      })
    // Whoever is being treated hears of it now, before the step.
    await tx.execute(sql`select pg_notify('visit', id::text) from visits where status = 'treating'`)
    return found
  })
  const had = await Promise.all(bottles.map(({ id }) => whoHad(me, id)))
  const all = new Map(had.flat().map((client) => [client.id, client]))
  return { bottles: bottles.length, clients: [...all.values()] }
}

type Bottle = typeof lots.$inferSelect

/**
 * Clients at whose visits a bottle was used, the latest first: whoever's record or taps name the
 * bottle or its code, measured or not, sealed or under way.
 */
async function whoHad(me: Staff, lotId: string): Promise<LotHistory['clients']> {
  const [bottle] = await database().select().from(lots).where(eq(lots.id, lotId))
  if (!bottle) return []
  const [{ timeZone }, named, open] = await Promise.all([
    thePractice(),
    namedIn(bottle),
    openWith(me, bottle),
  ])
  const ids = [...new Set([...named, ...open])]
  if (ids.length === 0) return []
  const rows = await database()
    .select({ id: clients.id, name: clients.name, at: MOMENT })
    .from(visits)
    .innerJoin(clients, eq(clients.id, visits.clientId))
    .where(inArray(visits.id, ids))
    .orderBy(desc(MOMENT))
  return rows.map(({ id, name, at }) => ({ id, name, day: dayIn(timeZone, at) }))
}

/** Visits whose movements, taps or sealed records name a bottle. */
async function namedIn({ id, code, productId }: Bottle): Promise<string[]> {
  const db = database()
  const named = (line: object) =>
    sql`${sealItems.content} @> ${JSON.stringify({ lines: [line] })}::jsonb`
  const holds = (lot: string) =>
    or(named({ product: { id: productId, lot } }), named({ along: [{ id: productId, lot }] }))
  const [moved, tapped, sealed] = await Promise.all([
    db
      .selectDistinct({ id: lotMovements.visitId })
      .from(lotMovements)
      .where(eq(lotMovements.lotId, id)),
    db
      .selectDistinct({ id: visitEvents.visitId })
      .from(visitEvents)
      .where(
        sql`${visitEvents.body}->>'productId' = ${productId}
          and ${visitEvents.body}->>'lotId' in (${id}, ${code})`,
      ),
    db
      .selectDistinct({ id: sealItems.visitId })
      .from(sealItems)
      .where(and(eq(sealItems.name, 'treatment'), or(holds(id), holds(code)))),
  ])
  return [...moved, ...tapped, ...sealed].flatMap(({ id: visitId }) => visitId ?? [])
}

/** Visits that are not sealed yet and whose record would name it as it stands now. */
async function openWith(me: Staff, { id, code, productId }: Bottle): Promise<string[]> {
  const rows = await database()
    .select()
    .from(visits)
    .where(and(inArray(visits.status, ['treating', 'closing']), stoodThen(id)))
  const found = await Promise.all(
    rows.map(async (visit) => {
      const bare = await readBare(me, visit)
      const parts = recordParts({ ...bare, past: [], poured: [], lastTime: null, learned: {} }, '')
      const lines = readParts(parts).treatment?.lines ?? []
      return lines.some(
        (line) =>
          line.actualMinutes !== null &&
          productsOf(line).some(
            (product) => product.id === productId && (product.lot === code || product.lot === id),
          ),
      )
        ? [visit.id]
        : []
    }),
  )
  return found.flat()
}

/** A bottle that came after a visit's last tap was not at it. */
const stoodThen = (lotId: string) => sql`coalesce(
  (select to_timestamp(max(e.at) / 1000.0) from visit_events e where e.visit_id = ${visits.id})
    >= (select min(m.at) from lot_movements m where m.lot_id = ${lotId}), true)`

/** Bottles that are called back, by id. */
export async function recalledLots(): Promise<string[]> {
  const rows = await database().select({ id: lots.id }).from(lots).where(eq(lots.recalled, true))
  return rows.map(({ id }) => id)
}

/** Every movement of a bottle in its order, and who had of it. */
export async function lotHistory(me: Staff, lotId: string): Promise<LotHistory> {
  const [moves, had] = await Promise.all([
    database()
      .select({ move: lotMovements, by: staff.name })
      .from(lotMovements)
      .leftJoin(staff, eq(staff.id, lotMovements.by))
      .where(eq(lotMovements.lotId, lotId))
      .orderBy(asc(lotMovements.at)),
    whoHad(me, lotId),
  ])
  return {
    movements: moves.map(({ move, by }) => ({
      id: move.id,
      kind: move.kind,
      millilitres: fromHundredths(move.hundredths),
      reason: move.reason,
      at: move.at.getTime(),
      by,
    })),
    clients: had,
  }
}
