import type { Earned, MoneyPage, VisitMoney } from '#contracts/replies/money'
import type { costsPut, pricePut } from '#contracts/money'
import { and, asc, eq, gte, inArray, lt, not, sql } from 'drizzle-orm'
import { DateTime } from 'luxon'
import type { z } from 'zod'
import { costOfDone, plannedCost } from '#core/cost/ofVisit'
import { sumOf, type CostLine, type HouseCosts } from '#core/cost/visitCost'
import { pouredCents } from '#core/dosing/amount'
import { productsOf } from '#core/record/bottles'
import { fold } from '#core/treatment/fold/fold'
import { fromHundredths } from '#core/units'
import type { VisitBundle } from '#core/visit/bundle'
import { toPlanInput } from '#core/visit/planInput'
import { readParts, recordParts, stepsDone } from '#core/visit/record'
import { foldContext } from '#core/visit/roomContext'
import {
  clients,
  houseCosts,
  lotMovements,
  lots,
  plans,
  prices,
  products,
  protocols,
  sealItems,
  visitCosts,
  visitPrices,
  visits,
} from '#db/schema'
import { conflict, notFound } from '../../problem/problem'
import type { Visit } from '../access'
import { database, lookingBack, type Transaction } from '../database'
import { thePractice } from '../practice'
import type { Staff } from '../session/session'
import { beforeMoment, MOMENT } from '../visits/moment'

/** What the house has told of its costs. */
async function costsNow(db: Pick<Transaction, 'select'>): Promise<HouseCosts> {
  const [row] = await db.select().from(houseCosts)
  return row?.cents ?? {}
}

export async function readMoney(): Promise<MoneyPage> {
  const db = database()
  const [[costs], list] = await Promise.all([
    db.select().from(houseCosts),
    db.select().from(prices).orderBy(asc(prices.retired), asc(prices.name)),
  ])
  return { costs: { cents: costs?.cents ?? {}, version: costs?.version ?? 0 }, prices: list }
}

/** An edit that has seen an older version is refused: nobody's change is lost silently. */
export async function keepCosts({ version, cents }: z.infer<typeof costsPut>): Promise<void> {
  const db = database()
  const began = await db
    .insert(houseCosts)
    .values({ id: 1, cents })
    .onConflictDoNothing()
    .returning({ version: houseCosts.version })
  if (began.length > 0) return
  const done = await db
    .update(houseCosts)
    .set({ cents, version: sql`${houseCosts.version} + 1` })
    .where(eq(houseCosts.version, version))
    .returning({ version: houseCosts.version })
  if (done.length === 0)
    throw conflict('A colleague has changed the costs. Check their version, then save again.')
}

/** A price, new (version 0) or changed. What was billed before stays as it was billed. */
export async function keepPrice({ version, ...price }: z.infer<typeof pricePut>): Promise<void> {
  const done = await database()
    .insert(prices)
    .values(price)
    .onConflictDoUpdate({
      target: prices.id,
      set: { ...price, version: sql`${prices.version} + 1` },
      setWhere: eq(prices.version, version),
    })
    .returning({ version: prices.version })
  if (done.length === 0)
    throw conflict('A colleague has changed this price. Check their version, then save again.')
}

/** What a visit is billed as, at today's price; nothing takes it back. */
export async function billVisit(me: Staff, visit: Visit, priceId: string | null): Promise<void> {
  const db = database()
  if (priceId === null) {
    await db.delete(visitPrices).where(eq(visitPrices.visitId, visit.id))
    return
  }
  const [price] = await db.select().from(prices).where(eq(prices.id, priceId))
  if (!price) throw notFound()
  const set = { priceId, cents: price.cents, by: me.id }
  await db
    .insert(visitPrices)
    .values({ visitId: visit.id, ...set })
    .onConflictDoUpdate({ target: visitPrices.visitId, set })
}

/** What a visit costs, as it was done; as it is planned until then; and what is asked for it. */
export async function moneyOf(bundle: VisitBundle): Promise<VisitMoney> {
  const db = database()
  const [[kept], [billed], list, costs] = await Promise.all([
    db.select().from(visitCosts).where(eq(visitCosts.visitId, bundle.visit.id)),
    db.select().from(visitPrices).where(eq(visitPrices.visitId, bundle.visit.id)),
    db.select().from(prices).orderBy(asc(prices.name)),
    costsNow(db),
  ])
  const done = kept !== undefined || bundle.visit.status === 'closing'
  const lines = kept?.lines ?? (done ? doneLines(bundle, costs) : plannedLines(bundle, costs))
  return {
    lines: [...lines],
    cents: sumOf(lines),
    done,
    price: billed ? { id: billed.priceId, cents: billed.cents } : null,
    prices: list,
  }
}

function plannedLines(bundle: VisitBundle, costs: HouseCosts): CostLine[] {
  const steps = bundle.plans.at(-1)?.steps ?? []
  return plannedCost(toPlanInput(bundle), steps, bundle.visit.minutes, costs)
}
function doneLines(bundle: VisitBundle, costs: HouseCosts): CostLine[] {
  const input = toPlanInput(bundle)
  const state = fold(bundle.events, foldContext(bundle, input))
  const { treatment } = readParts(recordParts(bundle, bundle.visit.recordText))
  if (!treatment) return []
  return costOfDone(input, stepsDone(bundle, state), treatment, bundle.visit.minutes, costs)
}

/** Keeps what a visit has cost on the day it is sealed: prices of later days do not change it. */
export async function keepCost(tx: Transaction, bundle: VisitBundle): Promise<void> {
  const lines = doneLines(bundle, await costsNow(tx))
  await tx
    .insert(visitCosts)
    .values({ visitId: bundle.visit.id, lines, cents: sumOf(lines) })
    .onConflictDoNothing()
}

/** What the sealed visits of a month cost and earned, and what was planned, taken and thrown out. */
export async function earnedIn(month: string): Promise<Earned> {
  const { timeZone } = await thePractice()
  const start = DateTime.fromISO(`${month}-01`, { zone: timeZone })
  const from = start.toJSDate()
  const to = start.plus({ months: 1 }).toJSDate()
  const db = lookingBack()
  const rows = await db
    .select({
      id: visits.id,
      at: MOMENT,
      client: clients.name,
      protocol: protocols.name,
      price: prices.name,
      takenCents: visitPrices.cents,
      costCents: visitCosts.cents,
    })
    .from(visits)
    .innerJoin(visitCosts, eq(visitCosts.visitId, visits.id))
    .innerJoin(clients, eq(clients.id, visits.clientId))
    .leftJoin(plans, and(eq(plans.visitId, visits.id), eq(plans.version, 1)))
    .leftJoin(protocols, eq(protocols.id, plans.protocolId))
    .leftJoin(visitPrices, eq(visitPrices.visitId, visits.id))
    .leftJoin(prices, eq(prices.id, visitPrices.priceId))
    .where(and(not(beforeMoment(from)), beforeMoment(to)))
    .orderBy(asc(MOMENT))
  return {
    visits: rows.map((row) => ({ ...row, at: row.at.getTime() })),
    products: await usedOf(
      rows.map(({ id }) => id),
      from,
      to,
    ),
  }
}

/** Planned and taken by the sealed records of these visits, and thrown out meanwhile. */
async function usedOf(ids: readonly string[], from: Date, to: Date): Promise<Earned['products']> {
  const db = lookingBack()
  const [shelf, records, thrown] = await Promise.all([
    db.select().from(products),
    ids.length === 0
      ? []
      : db
          .select()
          .from(sealItems)
          .where(and(inArray(sealItems.visitId, [...ids]), eq(sealItems.name, 'treatment'))),
    db
      .select({ productId: lots.productId, hundredths: lotMovements.hundredths })
      .from(lotMovements)
      .innerJoin(lots, eq(lots.id, lotMovements.lotId))
      .where(
        and(
          eq(lotMovements.kind, 'writtenOff'),
          gte(lotMovements.at, from),
          lt(lotMovements.at, to),
        ),
      ),
  ])
  const sums = new Map<string, { plannedMl: number; takenMl: number; thrownMl: number }>()
  const add = (id: string, more: { plannedMl?: number; takenMl?: number; thrownMl?: number }) => {
    const own = sums.get(id) ?? { plannedMl: 0, takenMl: 0, thrownMl: 0 }
    sums.set(id, {
      plannedMl: own.plannedMl + (more.plannedMl ?? 0),
      takenMl: own.takenMl + (more.takenMl ?? 0),
      thrownMl: own.thrownMl + (more.thrownMl ?? 0),
    })
  }
  for (const { name, content } of records)
    for (const line of readParts([{ name, content }]).treatment?.lines ?? [])
      if (line.actualMinutes !== null)
        for (const { id, plannedMl, takenMl } of productsOf(line))
          add(id, { plannedMl: plannedMl ?? 0, takenMl: takenMl ?? plannedMl ?? 0 })
  for (const { productId, hundredths } of thrown)
    add(productId, { thrownMl: fromHundredths(-hundredths) })
  return [...sums]
    .flatMap(([id, sum]) => {
      const product = shelf.find((one) => one.id === id)
      if (!product) return []
      const over = Math.max(0, sum.takenMl - sum.plannedMl) + sum.thrownMl
      return [{ name: product.name, ...sum, wasteCents: pouredCents(product, over) }]
    })
    .sort((one, other) => other.wasteCents - one.wasteCents || (one.name < other.name ? -1 : 1))
}
