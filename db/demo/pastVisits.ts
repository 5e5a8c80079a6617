import { eq, sql } from 'drizzle-orm'
import { DateTime } from 'luxon'
import { costOfDone } from '#core/cost/ofVisit'
import { sumOf } from '#core/cost/visitCost'
import type { SignAnswers } from '#core/aftercare/grading'
import { ASKED_DAYS } from '#core/catalogue/rules/forecast'
import { SIGNS } from '#core/catalogue/rules/grading'
import { WEEK_DAYS } from '#core/units'
import { toPlanInput } from '#core/visit/planInput'
import { readParts, recordParts } from '#core/visit/record'
import { addDays } from '#core/screening/asking/days'
import type { Answers } from '#core/screening/asking/answers'
import { GENESIS, seal as sealParts } from '#core/record/seal'
import * as tables from '../schema'
import type { Database } from '../owner'
import { demoBundle } from './bundle'
import { DEEP, type DemoClient } from './clients'
import { ZONE } from './house'
import { demoId, demoSalt } from './ids'
import { pastEvents, pastSteps } from './past'
import { DEMO_PRODUCTS } from './products'
import { answersOf, readingsOf } from './told'
import { COSTS, PAST_PRICE } from './trolley'

const FIRST_HOUR = 8

export async function seedPast(db: Database, demoClient: DemoClient, today: string): Promise<void> {
  const shelf = DEMO_PRODUCTS.map((product) => ({ product, lots: [] }))
  for (const visit of [...demoClient.past].reverse()) {
    const key = `${demoClient.key}-past-${visit.weeks}`
    const startsAt = DateTime.fromISO(addDays(today, -visit.weeks * 7), { zone: ZONE }).set({
      // Each client has an hour of their own: one room has one visit at a time.
      hour: FIRST_HOUR + DEEP.indexOf(demoClient),
    })
    const id = demoId(key)
    const by = demoId('ilse')
    const steps = pastSteps(visit.work)
    const events = pastEvents(key, startsAt.toMillis(), steps)
    const zones = readingsOf(demoClient)
    // What is ahead of today was not yet told then.
    const answers: Answers = {
      ...answersOf(demoClient, startsAt.toISODate() ?? today),
      eventSoon: { say: 'no' },
    }
    await db.insert(tables.visits).values({
      id,
      clientId: demoId(demoClient.key),
      staffId: by,
      roomId: demoId('room-lake'),
      startsAt: startsAt.toJSDate(),
      begunAt: startsAt.toJSDate(),
      minutes: 60,
      makeUp: demoClient.worn ?? ['light'],
      aims: demoClient.aims,
      school: demoClient.school,
      status: 'closing',
      recordText: 'Went well.',
      taken: 'well',
    })
    await db.insert(tables.consultations).values({
      id: demoId(`${key}-ask`),
      visitId: id,
      clientId: demoId(demoClient.key),
      answers,
      medicines: demoClient.medicines,
      by,
      at: startsAt.toJSDate(),
    })
    await db.insert(tables.readings).values({
      id: demoId(`${key}-read`),
      visitId: id,
      clientId: demoId(demoClient.key),
      phase: 'madeUp',
      zones,
      whole: demoClient.whole ?? {},
      by,
      at: startsAt.toJSDate(),
    })
    await db
      .insert(tables.plans)
      .values({ visitId: id, version: 1, steps, reason: 'as planned', by, at: startsAt.toJSDate() })
    await db.insert(tables.visitEvents).values(
      events.map((event) => ({
        id: event.id,
        visitId: id,
        at: event.at,
        deviceId: event.deviceId,
        seq: event.seq,
        planVersion: 1,
        body: event.body,
        by,
      })),
    )
    const bundle = demoBundle(
      demoClient,
      id,
      startsAt.toMillis(),
      steps,
      events,
      zones,
      answers,
      shelf,
    )
    const parts = recordParts(bundle, 'Went well.')
    const [last] = await db
      .select()
      .from(tables.seals)
      .orderBy(sql`${tables.seals.number} desc`)
      .limit(1)
    const sealed = sealParts(
      parts,
      parts.map((part) => demoSalt(`${key}-${part.name}`)),
      last?.head ?? GENESIS,
    )
    await db.insert(tables.seals).values({
      number: (last?.number ?? 0) + 1,
      visitId: id,
      prev: sealed.prev,
      head: sealed.head,
      by,
      at: startsAt.plus({ hours: 1 }).toJSDate(),
    })
    await db.insert(tables.sealItems).values(
      sealed.items.map((item, place) => ({
        visitId: id,
        place,
        name: item.name,
        commitment: item.commitment,
        content: item.content,
        salt: item.salt,
      })),
    )
    const { treatment } = readParts(parts)
    const lines = treatment ? costOfDone(toPlanInput(bundle), steps, treatment, 60, COSTS) : []
    await db.insert(tables.visitCosts).values({ visitId: id, lines, cents: sumOf(lines) })
    await db
      .insert(tables.visitPrices)
      .values({ visitId: id, priceId: PAST_PRICE.id, cents: PAST_PRICE.cents, by })
    await db.update(tables.visits).set({ status: 'sealed' }).where(eq(tables.visits.id, id))
    await seedAnswers(db, key, id, addDays(today, -visit.weeks * WEEK_DAYS))
  }
  if (demoClient.home) {
    const rows = Array.from({ length: 12 }, (_, i) => ({
      id: demoId(`${demoClient.key}-home-${i}`),
      clientId: demoId(demoClient.key),
      at: DateTime.fromISO(addDays(today, -1 - i * (demoClient.home?.everyDays ?? 1)), {
        zone: ZONE,
      })
        .set({ hour: 22 })
        .toJSDate(),
      label: demoClient.home?.label ?? '',
      hundredths: demoClient.home?.hundredths ?? 0,
    }))
    await db.insert(tables.homeUse).values(rows).onConflictDoNothing()
  }
}

/** The mildest answer to each question: what comes second in the demo is a little tightness. */
const CALM: SignAnswers = Object.fromEntries(
  SIGNS.map(({ id, choices }) => [id, choices[0]?.value]),
)
const TIGHT: SignAnswers = { ...CALM, feel: 'tight' }

/** Answered on the next morning and on the third day, as most are. */
async function seedAnswers(db: Database, key: string, visitId: string, day: string): Promise<void> {
  const rows = ASKED_DAYS.always.map((later, place) => ({
    id: demoId(`${key}-asked-${later}`),
    visitId,
    dueOn: addDays(day, later),
    answers: place === 0 ? TIGHT : CALM,
    outcome: 'expected' as const,
    answeredAt: DateTime.fromISO(addDays(day, later), { zone: ZONE }).set({ hour: 10 }).toJSDate(),
  }))
  await db.insert(tables.checkIns).values(rows).onConflictDoNothing()
}
