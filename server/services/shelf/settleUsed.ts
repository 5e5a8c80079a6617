import { randomUUID } from 'node:crypto'
import { and, desc, eq, inArray, or, sql } from 'drizzle-orm'
import { inOrder, type TreatmentEvent } from '#core/treatment/taps/events'
import { openedFor } from '#core/dosing/amount'
import { fromHundredths, toHundredths } from '#core/units'
import { lotMovements, lots, products } from '#db/schema'
import type { Transaction } from '../database'
import { productOf } from './shelf'

/** Whose use of which visit, on which day of the house. */
interface Use {
  by: string
  visitId: string
  day: string
}

/** Takes from a bottle as much as it holds, and opens it if nobody has. */
async function pour(
  tx: Transaction,
  lotId: string,
  hundredths: number,
  { by, visitId, day }: Use,
): Promise<void> {
  const [bottle] = await tx
    .update(lots)
    .set({ openedOn: sql`coalesce(${lots.openedOn}, ${day}::date)` })
    .where(eq(lots.id, lotId))
    .returning({ held: lots.remainingHundredths })
  const taken = Math.min(hundredths, bottle?.held ?? 0)
  if (taken > 0)
    await tx
      .insert(lotMovements)
      .values({ id: randomUUID(), lotId, kind: 'used', hundredths: -taken, visitId, by })
}

/**
 * Makes what a visit has drawn from each bottle what was used of it: what was drawn by taps already
 * is not drawn twice, and what was tapped otherwise meanwhile goes back.
 * @param wanted hundredths of a millilitre by bottle
 */
export async function settleUsed(
  tx: Transaction,
  wanted: ReadonlyMap<string, number>,
  use: Use,
): Promise<void> {
  const drawn = await tx
    .select({ lotId: lotMovements.lotId, sum: sql<number>`-sum(${lotMovements.hundredths})::int` })
    .from(lotMovements)
    .where(
      and(eq(lotMovements.visitId, use.visitId), inArray(lotMovements.kind, ['used', 'corrected'])),
    )
    .groupBy(lotMovements.lotId)
  const before = new Map(drawn.map(({ lotId, sum }) => [lotId, sum]))
  for (const lotId of new Set([...wanted.keys(), ...before.keys()])) {
    const more = (wanted.get(lotId) ?? 0) - (before.get(lotId) ?? 0)
    if (more > 0) await pour(tx, lotId, more, use)
    else if (more < 0)
      await tx.insert(lotMovements).values({
        id: randomUUID(),
        lotId,
        kind: 'corrected',
        hundredths: -more,
        reason: 'tapped otherwise',
        visitId: use.visitId,
        by: use.by,
      })
  }
}

/** What was measured of a bottle in the room so far: the last word of each step counts. */
interface Measured {
  productId: string
  /** Its code as it is printed, or its id. */
  lotId: string
  hundredths: number
}
/** The other half of a piece that was opened before draws nothing. */
export function measured(events: readonly TreatmentEvent[]): Measured[] {
  const bySteps = new Map<string, Measured | undefined>()
  for (const { body } of inOrder(events))
    if (body.kind === 'amountTaken') {
      const { key, productId, lotId, millilitres, half } = body
      const hundredths = toHundredths(millilitres)
      bySteps.set(key, half ? undefined : { productId, lotId, hundredths })
    }
  return [...bySteps.values()].flatMap((own) => own ?? [])
}

/** The same by the bottles of the shelf: a tablet names a bottle by its code. */
export async function byBottle(
  tx: Transaction,
  taken: readonly Measured[],
): Promise<Map<string, number>> {
  const out = new Map<string, number>()
  for (const { productId, lotId, hundredths } of taken) {
    const [found] = await tx
      .select({ bottle: lots.id, product: products })
      .from(lots)
      .innerJoin(products, eq(products.id, lots.productId))
      .where(and(eq(lots.productId, productId), or(eq(lots.id, lotId), eq(lots.code, lotId))))
      .orderBy(desc(lots.remainingHundredths))
      .limit(1)
    if (!found) continue
    const drawn = openedFor(productOf(found.product), fromHundredths(hundredths))
    out.set(found.bottle, (out.get(found.bottle) ?? 0) + toHundredths(drawn))
  }
  return out
}
