import { eq, sql } from 'drizzle-orm'
import { DateTime } from 'luxon'
import { recordParts } from '#core/visit/record'
import { addDays } from '#core/screening/days'
import type { Answers } from '#core/screening/answers'
import { GENESIS, seal as sealParts } from '#core/record/seal'
import * as t from '../schema'
import type { Database } from '../owner'
import { demoBundle } from './bundle'
import type { DemoClient } from './clients'
import { ZONE } from './house'
import { demoId, demoSalt } from './ids'
import { pastEvents, pastSteps } from './past'
import { DEMO_PRODUCTS } from './products'
import { answersOf, readingsOf } from './told'

export async function seedPast(db: Database, c: DemoClient, today: string): Promise<void> {
  const shelf = DEMO_PRODUCTS.map((product) => ({ product, lots: [] }))
  for (const visit of [...c.past].reverse()) {
    const key = `${c.key}-past-${visit.weeks}`
    const startsAt = DateTime.fromISO(addDays(today, -visit.weeks * 7), { zone: ZONE }).set({
      hour: 10,
    })
    const id = demoId(key)
    const by = demoId('ilse')
    const steps = pastSteps(visit.work)
    const events = pastEvents(key, startsAt.toMillis(), steps)
    const zones = readingsOf(c)
    // What is ahead of today was not yet told then.
    const answers: Answers = {
      ...answersOf(c, startsAt.toISODate() ?? today),
      eventSoon: { say: 'no' },
    }
    await db.insert(t.visits).values({
      id,
      clientId: demoId(c.key),
      staffId: by,
      roomId: demoId('room-lake'),
      startsAt: startsAt.toJSDate(),
      minutes: 60,
      aims: c.aims,
      school: c.school,
      status: 'closing',
      recordText: 'Went well.',
    })
    await db.insert(t.consultations).values({
      id: demoId(`${key}-ask`),
      visitId: id,
      clientId: demoId(c.key),
      answers,
      medicines: c.medicines,
      by,
      at: startsAt.toJSDate(),
    })
    await db.insert(t.readings).values({
      id: demoId(`${key}-read`),
      visitId: id,
      clientId: demoId(c.key),
      phase: 'madeUp',
      zones,
      whole: c.whole ?? {},
      by,
      at: startsAt.toJSDate(),
    })
    await db
      .insert(t.plans)
      .values({ visitId: id, version: 1, steps, reason: 'as planned', by, at: startsAt.toJSDate() })
    await db.insert(t.visitEvents).values(
      events.map((e) => ({
        id: e.id,
        visitId: id,
        at: e.at,
        deviceId: e.deviceId,
        seq: e.seq,
        planVersion: 1,
        body: e.body,
        by,
      })),
    )
    const bundle = demoBundle(c, id, startsAt.toMillis(), steps, events, zones, answers, shelf)
    const parts = recordParts(bundle, 'Went well.')
    const [last] = await db
      .select()
      .from(t.seals)
      .orderBy(sql`${t.seals.number} desc`)
      .limit(1)
    const sealed = sealParts(
      parts,
      parts.map((p) => demoSalt(`${key}-${p.name}`)),
      last?.head ?? GENESIS,
    )
    await db.insert(t.seals).values({
      number: (last?.number ?? 0) + 1,
      visitId: id,
      prev: sealed.prev,
      head: sealed.head,
      by,
      at: startsAt.plus({ hours: 1 }).toJSDate(),
    })
    await db.insert(t.sealItems).values(
      sealed.items.map((item, place) => ({
        visitId: id,
        place,
        name: item.name,
        commitment: item.commitment,
        content: item.content,
        salt: item.salt,
      })),
    )
    await db.update(t.visits).set({ status: 'sealed' }).where(eq(t.visits.id, id))
  }
  if (c.home) {
    const rows = Array.from({ length: 12 }, (_, i) => ({
      id: demoId(`${c.key}-home-${i}`),
      clientId: demoId(c.key),
      at: DateTime.fromISO(addDays(today, -1 - i * (c.home?.everyDays ?? 1)), { zone: ZONE })
        .set({ hour: 22 })
        .toJSDate(),
      label: c.home?.label ?? '',
      hundredths: c.home?.hundredths ?? 0,
    }))
    await db.insert(t.homeUse).values(rows).onConflictDoNothing()
  }
}
