import { eq } from 'drizzle-orm'
import { DateTime } from 'luxon'
import { CONSENT_SENTENCE } from '#core/catalogue/consultation/consents'
import { toPlanInput } from '#core/visit/planInput'
import { basinsOf } from '#core/planning/checks/basins'
import { propose } from '#core/planning/answer/propose'
import { addDays } from '#core/screening/asking/days'
import { screen } from '#core/screening/verdict/verdict'
import { deriveProfile } from '#core/skin/profile'
import * as tables from '../schema'
import type { Database } from '../owner'
import { demoBundle } from './bundle'
import { DEEP, type DemoClient } from './clients'
import { STAFF, ZONE, type ROOMS } from './house'
import { demoId } from './ids'
import { DEMO_PRODUCTS } from './products'
import { answersOf, readingsOf } from './told'

/**
 * Who comes when: hour, minute, minutes booked, room, therapist. The two at eleven both want the
 * one steamer.
 */
const DAYS: readonly {
  offset: number
  visits: readonly [string, number, number, number, keyof typeof ROOMS, string][]
}[] = [
  {
    offset: 0,
    visits: [
      ['rower', 9, 0, 60, 'lake', 'ilse'],
      ['beekeeper', 9, 30, 60, 'stove', 'tomas'],
      ['pastry', 11, 0, 60, 'lake', 'ilse'],
      ['bride', 11, 0, 75, 'stove', 'tomas'],
      ['ferry', 13, 0, 60, 'lake', 'ilse'],
      ['conductor', 13, 0, 60, 'stove', 'amara'],
      ['actor', 14, 30, 60, 'lake', 'ilse'],
      ['forester', 15, 30, 45, 'stove', 'tomas'],
    ],
  },
  {
    offset: 1,
    visits: [
      ['other-0', 9, 0, 60, 'lake', 'ilse'],
      ['other-1', 10, 5, 60, 'lake', 'ilse'],
      ['other-2', 13, 0, 60, 'stove', 'tomas'],
    ],
  },
  {
    offset: 7,
    visits: [
      ['other-3', 10, 0, 60, 'lake', 'ilse'],
      ['other-4', 11, 30, 45, 'stove', 'amara'],
    ],
  },
]
const PREPARED = ['pastry', 'bride']

export async function seedDays(db: Database, today: string): Promise<void> {
  for (const planned of DAYS)
    for (const [key, hour, minute, minutes, room, who] of planned.visits) {
      const day = addDays(today, planned.offset)
      const id = demoId(`visit-${key}-${day}`)
      if (
        (
          await db
            .select({ id: tables.visits.id })
            .from(tables.visits)
            .where(eq(tables.visits.id, id))
        ).length > 0
      )
        continue
      const deep = DEEP.find((demoClient) => demoClient.key === key)
      const startsAt = DateTime.fromISO(day, { zone: ZONE }).set({ hour, minute })
      const booking = db.insert(tables.visits).values({
        id,
        clientId: demoId(key),
        staffId: demoId(who),
        roomId: demoId(`room-${room}`),
        startsAt: startsAt.toJSDate(),
        minutes,
        aims: deep?.aims ?? [],
        named: deep?.named ?? [],
        school: deep?.school ?? 'warmCloth',
        makeUp: deep ? (deep.worn ?? ['light']) : null,
      })
      // Somebody who tries the demo may have booked that hour already: theirs stands.
      const booked = await booking.onConflictDoNothing().returning({ id: tables.visits.id })
      if (booked.length > 0 && deep && PREPARED.includes(key))
        await prepare(db, deep, id, day, minutes, who)
    }
}

/** Asked, read and planned the evening before. */
async function prepare(
  db: Database,
  demoClient: DemoClient,
  id: string,
  day: string,
  minutes: number,
  who: string,
): Promise<void> {
  const by = demoId(who)
  const answers = answersOf(demoClient, day)
  const zones = readingsOf(demoClient)
  await db.insert(tables.consultations).values({
    id: demoId(`${id}-ask`),
    visitId: id,
    clientId: demoId(demoClient.key),
    answers,
    medicines: demoClient.medicines,
    by,
  })
  await db.insert(tables.consents).values({
    id: demoId(`${id}-consent`),
    visitId: id,
    clientId: demoId(demoClient.key),
    method: 'typed',
    name: demoClient.name,
    guardian: false,
    sentence: CONSENT_SENTENCE,
    by,
  })
  await db.insert(tables.readings).values({
    id: demoId(`${id}-read`),
    visitId: id,
    clientId: demoId(demoClient.key),
    phase: 'madeUp',
    zones,
    whole: demoClient.whole ?? {},
    by,
  })
  const startsAt = DateTime.fromISO(day, { zone: ZONE }).set({ hour: 11 }).toMillis()
  const shelf = DEMO_PRODUCTS.map((product, i) => ({
    product,
    lots: [
      {
        id: `${product.id}-lot`,
        productId: product.id,
        code: '',
        expires: addDays(day, product.id === 'eye-two' ? -6 : 60 + i),
        recalled: product.id === 'clay-tide',
        remainingMillilitres: 50,
      },
    ],
  }))
  const staff = STAFF.find((person) => person.key === who) ?? STAFF[0]
  const base = demoBundle(demoClient, id, startsAt, [], [], zones, answers, shelf)
  const input = toPlanInput({
    ...base,
    today: day,
    visit: { ...base.visit, minutes },
    staff: { ...base.staff, licences: [...staff.licences] },
  })
  const asked = {
    ...input,
    verdict: screen(answers, day),
    profile: deriveProfile(zones, base.client.age ?? undefined),
  }
  const plan = propose(asked)
  const basins = basinsOf(asked, plan.steps)
  await db
    .insert(tables.plans)
    .values({ visitId: id, version: 0, steps: [...plan.steps], basins, by })
}
