import { randomUUID } from 'node:crypto'
import { and, eq, inArray, sql } from 'drizzle-orm'
import { inOrder, type TreatmentEvent } from '#core/treatment/taps/events'
import { toHundredths } from '#core/units'
import { lotMovements, lots } from '#db/schema'
import type { Transaction } from '../database'

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

/** What was measured in the room so far, hundredths by bottle: the last word of each step counts. */
export function measured(events: readonly TreatmentEvent[]): Map<string, number> {
  const bySteps = new Map<string, { lotId: string; millilitres: number }>()
  for (const { body } of inOrder(events))
    if (body.kind === 'amountTaken') bySteps.set(body.key, body)
  const out = new Map<string, number>()
  for (const { lotId, millilitres } of bySteps.values())
    out.set(lotId, (out.get(lotId) ?? 0) + toHundredths(millilitres))
  return out
}
