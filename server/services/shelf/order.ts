import type { OrderPage } from '#contracts/replies/shelf'
import { and, eq, gt, gte, inArray, lt, not, sql } from 'drizzle-orm'
import { STOCK } from '#core/catalogue/rules/stock'
import { lotBars } from '#core/screening/products/products'
import { addDays } from '#core/screening/asking/days'
import { forecast } from '#core/stock/forecast'
import { fromHundredths } from '#core/units'
import { lotMovements, lots, products, visits } from '#db/schema'
import { database } from '../database'
import { dayBounds, dayIn } from '../dates'
import { thePractice } from '../practice'
import { beforeMoment } from '../visits/moment'
import { lotOf, productOf } from './shelf'

/** How long every product of the shelf lasts, and what to order of it. */
export async function readOrder(): Promise<OrderPage> {
  const house = await thePractice()
  const today = dayIn(house.timeZone, Date.now())
  const [rows, bottles, booked, { used, visited }] = await Promise.all([
    database().select().from(products).where(eq(products.retired, false)),
    database().select().from(lots).where(gt(lots.remainingHundredths, 0)),
    bookedFrom(house.timeZone, today),
    usedLately(house.timeZone, today),
  ])
  const lines = rows.map((row) => {
    const product = productOf(row)
    const own = used.get(row.id)
    const fit = bottles
      .filter((bottle) => bottle.productId === row.id)
      .map((bottle) => lotOf(bottle))
      .filter((lot) => lotBars(lot, product, today).length === 0)
    const standing = fit.map(({ code, expires, remainingMillilitres }) => ({
      ...{ code, expires },
      left: remainingMillilitres,
    }))
    const left = standing.reduce((sum, bottle) => sum + bottle.left, 0)
    const millilitres = own?.millilitres ?? 0
    const found = forecast({
      today,
      bottles: standing,
      perVisit: visited > 0 ? millilitres / visited : 0,
      perDay: millilitres / STOCK.lookBackDays,
      perUse: own ? millilitres / own.uses : 0,
      booked,
      pack: row.packMillilitres,
      reorder: row.reorderMillilitres,
    })
    return {
      ...{ productId: row.id, name: row.name, kind: row.kind },
      leftMillilitres: left,
      packMillilitres: row.packMillilitres,
      ...found,
      cents: found.packs * row.priceCents,
      low: row.reorderMillilitres !== null && left < row.reorderMillilitres,
    }
  })
  return {
    today,
    currency: house.currency,
    booked: booked.filter((day) => day <= addDays(today, STOCK.coverDays)).length,
    lines: lines.sort(
      (one, other) =>
        (one.runsOut ?? '9999').localeCompare(other.runsOut ?? '9999') ||
        one.name.localeCompare(other.name),
    ),
  }
}

/** The day of each visit that is still to come. */
async function bookedFrom(zone: string, today: string): Promise<string[]> {
  const { from } = dayBounds(zone, today)
  const { to } = dayBounds(zone, addDays(today, STOCK.horizonDays))
  const rows = await database()
    .select({ startsAt: visits.startsAt })
    .from(visits)
    .where(and(eq(visits.status, 'booked'), gte(visits.startsAt, from), lt(visits.startsAt, to)))
  return rows.map(({ startsAt }) => dayIn(zone, startsAt))
}

/** What was used of each product in the last weeks, at how many visits, and how many there were. */
async function usedLately(zone: string, today: string) {
  const { from } = dayBounds(zone, addDays(today, -STOCK.lookBackDays))
  const db = database()
  const [rows, [all]] = await Promise.all([
    db
      .select({
        productId: lots.productId,
        hundredths: sql<number>`-sum(${lotMovements.hundredths})::int`,
        uses: sql<number>`count(distinct ${lotMovements.visitId})::int`,
      })
      .from(lotMovements)
      .innerJoin(lots, eq(lots.id, lotMovements.lotId))
      .where(and(inArray(lotMovements.kind, ['used', 'corrected']), gte(lotMovements.at, from)))
      .groupBy(lots.productId),
    db
      .select({ visited: sql<number>`count(*)::int` })
      .from(visits)
      .where(
        and(inArray(visits.status, ['treating', 'closing', 'sealed']), not(beforeMoment(from))),
      ),
  ])
  const used = new Map(
    rows
      .filter(({ uses, hundredths }) => uses > 0 && hundredths > 0)
      .map(({ productId, hundredths, uses }) => [
        productId,
        { millilitres: fromHundredths(hundredths), uses },
      ]),
  )
  return { used, visited: all?.visited ?? 0 }
}
