import type { OpenedPage } from '#contracts/replies/opened'
import type { openedPost, openedPut } from '#contracts/opened'
import { and, asc, desc, eq, isNotNull, isNull } from 'drizzle-orm'
import { alias } from 'drizzle-orm/pg-core'
import type { z } from 'zod'
import { LOG_LINES } from '#core/catalogue/rules/cleaning'
import { KITCHEN_LIFE_ROWS } from '#core/catalogue/products/kitchen'
import { OPENED_ROWS } from '#core/catalogue/rules/opened'
import { openedFor } from '#core/dosing/amount'
import { goodUntil, usedFirst } from '#core/hygiene/opened'
import { productsOf } from '#core/record/bottles'
import { lifeOf } from '#core/screening/products/kitchen'
import { readParts, recordParts } from '#core/visit/record'
import { clients, openedThings, products, staff } from '#db/schema'
import { notFound, refused } from '../../problem/problem'
import { visitFor } from '../access'
import { database } from '../database'
import { thePractice } from '../practice'
import type { Staff } from '../session/session'
import { readBundle } from '../visits/bundle'
import { productOf } from './shelf'

/** What is open now, and what was used up or thrown out lately. */
export async function readOpened(): Promise<OpenedPage> {
  const [{ timeZone }, open, ended] = await Promise.all([
    thePractice(),
    rowsOf(false),
    rowsOf(true),
  ])
  const now = Date.now()
  return { now, zone: timeZone, open: usedFirst(open, now), ended }
}

async function rowsOf(over: boolean): Promise<OpenedPage['open']> {
  const ender = alias(staff, 'ender')
  const rows = await database()
    .select({ own: openedThings, by: staff.name, client: clients, endedBy: ender.name })
    .from(openedThings)
    .innerJoin(staff, eq(staff.id, openedThings.by))
    .leftJoin(clients, eq(clients.id, openedThings.clientId))
    .leftJoin(ender, eq(ender.id, openedThings.endedBy))
    .where(over ? isNotNull(openedThings.endedAt) : isNull(openedThings.endedAt))
    .orderBy(over ? desc(openedThings.endedAt) : asc(openedThings.until))
    .limit(LOG_LINES)
  return rows.map(({ own, by, client, endedBy }) => ({
    ...{ id: own.id, what: own.what, name: own.name, by },
    at: own.at.getTime(),
    until: own.until.getTime(),
    client: client && { id: client.id, name: client.name },
    ended:
      own.endedAt && own.endedHow
        ? { at: own.endedAt.getTime(), how: own.endedHow, by: endedBy ?? '' }
        : null,
  }))
}

/** Something that is good for a time from now on. The same id twice is the same thing. */
export async function open(me: Staff, body: z.infer<typeof openedPost>): Promise<void> {
  const [again] = await database()
    .select({ id: openedThings.id })
    .from(openedThings)
    .where(eq(openedThings.id, body.id))
  if (again) return
  const { timeZone } = await thePractice()
  const { hours, ...own } = await whatItIs(me, body)
  const at = new Date()
  const until = new Date(goodUntil(body.what, at.getTime(), timeZone, hours))
  await database()
    .insert(openedThings)
    .values({ id: body.id, what: body.what, ...own, at, until, by: me.id })
    .onConflictDoNothing()
}

interface Found {
  name: string
  productId?: string
  lotId?: string
  clientId?: string
  visitId?: string
  hours?: number
}
async function whatItIs(me: Staff, body: z.infer<typeof openedPost>): Promise<Found> {
  if (body.what === 'half') return theHalf(me, body)
  if (body.what === 'mix') return theMix(me, body)
  const { name, byLabel = false } = OPENED_ROWS[body.what]
  if (body.hours !== null && !byLabel)
    throw refused(`How long ${name} are good for is not changed.`, [
      { field: 'hours', given: String(body.hours), allowed: 'none' },
    ])
  return { name: body.name || name, ...(body.hours === null ? {} : { hours: body.hours }) }
}

/** The other half of what a visit opened: of the batch it was taken from, for the same person. */
async function theHalf(me: Staff, body: z.infer<typeof openedPost>): Promise<Found> {
  if (body.visitId === null)
    throw refused("Half of a piece is one person's: say at which visit it was opened.", [
      { field: 'visitId', given: 'none', allowed: 'a visit' },
    ])
  const visit = await visitFor(me, body.visitId, 'write')
  const bundle = await readBundle(me, visit)
  const { treatment } = readParts(recordParts({ ...bundle, openHalves: [] }, ''))
  const line = treatment?.lines
    .filter(({ actualMinutes }) => actualMinutes !== null)
    .flatMap(productsOf)
    .find(({ id, half }) => id === body.productId && !half)
  const item = bundle.shelf.find(({ product }) => product.id === line?.id)
  const used = line?.takenMl ?? line?.plannedMl ?? 0
  if (!line || !item || openedFor(item.product, used) <= used)
    throw refused('Nothing is left: the whole piece was used.', [
      {
        field: 'productId',
        given: body.productId ?? '',
        allowed: 'a piece of which half was used',
      },
    ])
  if (bundle.openHalves.some(({ visitId }) => visitId === visit.id))
    throw refused('The other half from this visit is kept already.')
  const lot = item.lots.find(
    ({ code, id, half }) => !half && (code === line.lot || id === line.lot),
  )
  return {
    name: item.product.name,
    productId: item.product.id,
    ...(lot ? { lotId: lot.id } : {}),
    clientId: visit.clientId,
    visitId: visit.id,
  }
}

/** What is left of a mix keeps as long as its shortest part, for the person it was mixed for. */
async function theMix(me: Staff, body: z.infer<typeof openedPost>): Promise<Found> {
  if (body.visitId === null)
    throw refused('A mix is for one person: a shared pot is not kept.', [
      { field: 'visitId', given: 'none', allowed: 'the visit it was mixed at' },
    ])
  const visit = await visitFor(me, body.visitId, 'write')
  const [row] = await database()
    .select()
    .from(products)
    .where(eq(products.id, body.productId ?? ''))
  if (!row) throw notFound()
  const product = productOf(row)
  const { hours, words } = KITCHEN_LIFE_ROWS[lifeOf(product)]
  if (!product.recipe || hours === 0)
    throw refused(`${product.name}: ${words}.`, [
      { field: 'productId', given: product.id, allowed: 'a mix that keeps' },
    ])
  const own = { name: product.name, productId: product.id, hours }
  return { ...own, clientId: visit.clientId, visitId: visit.id }
}

/** Used up, or thrown out: it ends once. */
export async function endOpened(me: Staff, { id, how }: z.infer<typeof openedPut>): Promise<void> {
  const db = database()
  const [there] = await db
    .select({ id: openedThings.id })
    .from(openedThings)
    .where(eq(openedThings.id, id))
  if (!there) throw notFound()
  await db
    .update(openedThings)
    .set({ endedAt: new Date(), endedHow: how, endedBy: me.id })
    .where(and(eq(openedThings.id, id), isNull(openedThings.endedAt)))
}
