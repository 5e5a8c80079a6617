import { and, eq, isNull } from 'drizzle-orm'
import { partOf } from '#core/dosing/amount'
import type { OpenHalf } from '#core/visit/halves'
import { lots, openedThings, products } from '#db/schema'
import { database, type Transaction } from '../database'
import { dayIn } from '../dates'
import type { Staff } from '../session/session'
import { productOf } from './shelf'

/** Halves that were opened for a client and are kept here. */
export async function halvesOf(clientId: string, zone: string): Promise<OpenHalf[]> {
  const rows = await database()
    .select({ own: openedThings, product: products, lot: lots })
    .from(openedThings)
    .innerJoin(products, eq(products.id, openedThings.productId))
    .leftJoin(lots, eq(lots.id, openedThings.lotId))
    .where(
      and(
        eq(openedThings.clientId, clientId),
        eq(openedThings.what, 'half'),
        isNull(openedThings.endedAt),
      ),
    )
  return rows.map(({ own, product, lot }) => ({
    id: own.id,
    productId: product.id,
    code: lot?.code ?? '',
    expires: lot?.expires ?? dayIn(zone, own.until),
    millilitres: product.dispenser.millilitres * partOf(productOf(product)),
    openedOn: dayIn(zone, own.at),
    until: own.until.getTime(),
    visitId: own.visitId ?? '',
  }))
}

/** Halves that a visit has taken are used up with its record. */
export async function halvesUsed(tx: Transaction, me: Staff, ids: readonly string[]) {
  for (const id of ids)
    await tx
      .update(openedThings)
      .set({ endedAt: new Date(), endedHow: 'used', endedBy: me.id })
      .where(and(eq(openedThings.id, id), isNull(openedThings.endedAt)))
}

/**
 * Whether the disinfectant bath is over its time at a moment: it disinfects nothing any more. A house
 * that notes no baths is not asked.
 */
export async function bathIsOver(tx: Pick<Transaction, 'select'>, at: Date): Promise<boolean> {
  const baths = await tx.select().from(openedThings).where(eq(openedThings.what, 'bath'))
  return (
    baths.length > 0 &&
    !baths.some(
      (bath) => bath.at <= at && bath.until > at && (bath.endedAt === null || bath.endedAt > at),
    )
  )
}
