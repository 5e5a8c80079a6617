import { randomUUID } from 'node:crypto'
import { and, asc, eq, inArray, sql } from 'drizzle-orm'
import type { z } from 'zod'
import type {
  lotPost,
  lotPut,
  movementPost,
  ProductFields,
  productPut,
  productsPost,
  stocktakePost,
} from '#contracts/shelf'
import { readLabel } from '#core/catalogue/products/label'
import { NOT_COPIED, STARTER_DAYS, starterProducts } from '#core/catalogue/products/starter'
import { addDays } from '#core/screening/asking/days'
import { toHundredths, toThousandths } from '#core/units'
import { lotMovements, lots, products } from '#db/schema'
import { conflict, notFound, refused } from '../../problem/problem'
import { database, type Transaction } from '../database'
import { dayIn } from '../dates'
import { thePractice } from '../practice'
import type { Staff } from '../session/session'

/** How a product is kept: density in thousandths, pH in hundredths. */
const kept = ({ label, density, pH, ...rest }: ProductFields) => ({
  ...rest,
  inci: readLabel(label),
  density: toThousandths(density),
  pHHundredths: pH === null ? null : toHundredths(pH),
})

export async function addProduct({ id, ...fields }: ProductFields & { id: string }) {
  await database()
    .insert(products)
    .values({ id, ...kept(fields) })
    .onConflictDoNothing()
}

/** Products from a file: new ones and changed ones, all of them or none. */
export async function takeProducts({ add, change }: z.infer<typeof productsPost>) {
  await database().transaction(async (tx) => {
    for (const { id, ...fields } of add)
      await tx
        .insert(products)
        .values({ id, ...kept(fields) })
        .onConflictDoNothing()
    for (const one of change) await overwrite(tx, one)
  })
  return { added: add.length, changed: change.length }
}

/** An edit that has seen an older version is refused: nobody's change is lost silently. */
export async function changeProduct(body: z.infer<typeof productPut>): Promise<void> {
  await database().transaction((tx) => overwrite(tx, body))
}
async function overwrite(tx: Transaction, body: z.infer<typeof productPut>): Promise<void> {
  const { id, version, retired, ...fields } = body
  const done = await tx
    .update(products)
    .set({ ...kept(fields), retired, version: version + 1 })
    .where(and(eq(products.id, id), eq(products.version, version)))
    .returning({ id: products.id })
  if (done.length > 0) return
  const [there] = await tx.select({ id: products.id }).from(products).where(eq(products.id, id))
  if (!there) throw notFound()
  throw conflict('A colleague has changed this product. Check their version, then save again.')
}

/**
 * Puts up the starter shelf, once: a house that keeps products already gets none of it.
 * @returns how many products it is
 */
export async function putUpStarterShelf(me: Staff): Promise<{ products: number }> {
  const house = await thePractice()
  const expires = addDays(dayIn(house.timeZone, Date.now()), STARTER_DAYS)
  const shelf = starterProducts(randomUUID)
  await database().transaction(async (tx) => {
    await tx.execute(sql`select pg_advisory_xact_lock(7310222)`)
    const [there] = await tx.select({ id: products.id }).from(products).limit(1)
    if (there)
      throw refused(
        'There are products on the shelf already: the starter shelf is for an empty one.',
      )
    for (const product of shelf) {
      const { density, pH, acid, ...rest } = product
      await tx.insert(products).values({
        ...rest,
        inci: [...product.inci],
        suits: [...product.suits],
        acid: acid ?? null,
        density: toThousandths(density),
        pHHundredths: pH === undefined ? null : toHundredths(pH),
      })
      const lotId = randomUUID()
      await tx
        .insert(lots)
        .values({ id: lotId, productId: product.id, code: NOT_COPIED, expires, recalled: false })
      await received(tx, me, lotId, product.packMillilitres, 'starter shelf')
    }
  })
  return { products: shelf.length }
}

const received = (tx: Transaction, me: Staff, lotId: string, millilitres: number, reason: string) =>
  tx.insert(lotMovements).values({
    id: randomUUID(),
    lotId,
    kind: 'received',
    hundredths: toHundredths(millilitres),
    reason,
    by: me.id,
  })

/** A bottle that has come in. The same id twice is the same bottle. */
export async function receiveLot(me: Staff, body: z.infer<typeof lotPost>): Promise<void> {
  const today = dayIn((await thePractice()).timeZone, Date.now())
  if (body.expires < today)
    throw refused('This date is over. Look at the bottle once more; send it back if it is so.', [
      { field: 'expires', given: body.expires, allowed: `from ${today} on` },
    ])
  await database().transaction(async (tx) => {
    const { id, millilitres, ...lot } = body
    const added = await tx
      .insert(lots)
      .values({ id, ...lot, recalled: false })
      .onConflictDoNothing()
      .returning({ id: lots.id })
    if (added.length > 0) await received(tx, me, id, millilitres, 'delivery')
  })
}

export async function copyLot({ lotId, code, expires }: z.infer<typeof lotPut>): Promise<void> {
  const done = await database()
    .update(lots)
    .set({ code, expires })
    .where(eq(lots.id, lotId))
    .returning({ id: lots.id })
  if (done.length === 0) throw notFound()
}

/** The shelf as it was counted: each bottle that holds another amount gets a line. All, or none. */
export async function takeStock(
  me: Staff,
  { reason, counts }: z.infer<typeof stocktakePost>,
): Promise<{ bottles: number; changed: number }> {
  return database().transaction(async (tx) => {
    const held = await tx
      .select({ id: lots.id, left: lots.remainingHundredths })
      .from(lots)
      .where(
        inArray(
          lots.id,
          counts.map(({ lotId }) => lotId),
        ),
      )
      .orderBy(asc(lots.id))
      .for('update')
    const left = new Map(held.map((lot) => [lot.id, lot.left]))
    const lines = counts.flatMap(({ id, lotId, millilitres }) => {
      const stood = left.get(lotId)
      if (stood === undefined)
        throw refused('A bottle that was counted is not on the shelf. Nothing was saved.', [
          { field: 'counts', given: lotId, allowed: 'a bottle of the shelf' },
        ])
      const hundredths = toHundredths(millilitres) - stood
      const kind = 'counted' as const
      return hundredths === 0 ? [] : [{ id, lotId, kind, reason, hundredths, by: me.id }]
    })
    if (lines.length > 0) await tx.insert(lotMovements).values(lines).onConflictDoNothing()
    return { bottles: counts.length, changed: lines.length }
  })
}

/** What happens to a bottle by hand: counted, opened, written off. The same id twice is once. */
export async function moveLot(me: Staff, body: z.infer<typeof movementPost>): Promise<void> {
  const today = dayIn((await thePractice()).timeZone, Date.now())
  await database().transaction(async (tx) => {
    const [bottle] = await tx.select().from(lots).where(eq(lots.id, body.lotId)).for('update')
    if (!bottle) throw notFound()
    const left =
      body.kind === 'counted'
        ? toHundredths(body.millilitres)
        : body.kind === 'writtenOff'
          ? 0
          : bottle.remainingHundredths
    const { id, lotId, kind, reason } = body
    const moved = await tx
      .insert(lotMovements)
      .values({ id, lotId, kind, reason, hundredths: left - bottle.remainingHundredths, by: me.id })
      .onConflictDoNothing()
      .returning({ id: lotMovements.id })
    if (moved.length > 0 && kind === 'opened')
      await tx
        .update(lots)
        .set({ openedOn: sql`coalesce(${lots.openedOn}, ${today}::date)` })
        .where(eq(lots.id, lotId))
  })
}
