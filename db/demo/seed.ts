import { randomBytes, scryptSync } from 'node:crypto'
import { eq, sql } from 'drizzle-orm'
import { drizzle } from 'drizzle-orm/postgres-js'
import { DateTime } from 'luxon'
import postgres from 'postgres'
import { REFERENCE_FACE } from '#core/face/regions'
import { FINDING_ORDER } from '#core/catalogue/findings'
import type { LicenceId } from '#core/catalogue/kinds'
import type { Answer, Answers } from '#core/screening/answers'
import { addDays } from '#core/screening/days'
import { ZONE_IDS } from '#core/face/zones'
import type { Readings } from '#core/skin/readings'
import { NO_POLICY } from '#core/catalogue/schools'
import { GENESIS, seal as sealParts } from '#core/record/seal'
import { propose } from '#core/planning/propose'
import { screen } from '#core/screening/verdict'
import { deriveProfile } from '#core/skin/profile'
import { toPlanInput, type VisitBundle } from '#contracts/bundle'
import { recordParts } from '#contracts/record'
import * as t from '../schema'
import { DEEP, OTHERS, type DemoClient } from './clients'
import { demoId, demoSalt } from './ids'
import { pastEvents, pastSteps } from './past'
import { DEMO_PRODUCTS } from './products'

const ZONE = 'Europe/Helsinki'
const ROOMS = { lake: 'Lake room', stove: 'Stove room' } as const
const STAFF = [
  {
    key: 'ilse',
    name: 'Ilse Varga',
    email: 'ilse@oakbasin.example',
    role: 'owner',
    password: 'lake-wind-and-oak',
    code: '2604',
    licences: ['basic', 'machine', 'current', 'peel', 'blade', 'needling025', 'needling05'],
  },
  {
    key: 'tomas',
    name: 'Tomas Rehn',
    email: 'tomas@oakbasin.example',
    role: 'therapist',
    password: 'stove-wood-in-march',
    code: '1187',
    licences: ['basic', 'machine', 'current'],
  },
  {
    key: 'amara',
    name: 'Amara Oduya',
    email: 'amara@oakbasin.example',
    role: 'trainee',
    password: 'snow-light-on-linen',
    code: '3391',
    licences: ['basic'],
  },
] as const
const DEVICES: readonly (readonly [string, string])[] = [
  ['steamer', 'Steamer'],
  ['towelCabinet', 'Towel cabinet'],
  ['tipMachine', 'Tip and vacuum machine'],
  ['highFrequencyWand', 'High-frequency wand'],
  ['needlingPen', 'Needling pen'],
  ['lamp', 'Lamp'],
  ['microcurrentWand', 'Microcurrent'],
  ['ultrasonicSpatula', 'Ultrasonic spatula'],
]
const HOUSE = {
  name: 'Oak Basin Rooms',
  address: "Bookbinder's House, Quay Lane 3, Tarnholt",
  phone: '+000 555 0140',
  emergency: '112',
}

type Db = ReturnType<typeof drizzle>
const hash = (secret: string) => {
  const salt = randomBytes(16)
  return `scrypt$${salt.toString('base64url')}$${scryptSync(secret.normalize('NFKC'), salt, 32, { N: 32768, r: 8, p: 1, maxmem: 64 * 1024 * 1024 }).toString('base64url')}`
}

async function withOwner<T>(url: string, work: (db: Db) => Promise<T>): Promise<T> {
  const client = postgres(url, { max: 1, onnotice: () => {} })
  try {
    return await work(drizzle(client))
  } finally {
    await client.end()
  }
}

export const hasOwner = (url: string) =>
  withOwner(
    url,
    async (db) => (await db.select().from(t.staff).where(eq(t.staff.role, 'owner'))).length > 0,
  )

/** A house without demo data: the practice, two rooms, and its owner. */
export async function seedEmpty(
  url: string,
  owner: { name: string; email: string; password: string },
): Promise<void> {
  await withOwner(url, async (db) => {
    await db
      .insert(t.practice)
      .values({
        name: 'Our practice',
        address: 'Address',
        phone: 'Phone',
        emergency: '112',
        timeZone: Intl.DateTimeFormat().resolvedOptions().timeZone,
        school: 'warmCloth',
      })
      .onConflictDoNothing()
    await db
      .insert(t.rooms)
      .values({ id: demoId('room-empty'), name: 'Room 1' })
      .onConflictDoNothing()
    await db.insert(t.staff).values({
      id: crypto.randomUUID(),
      name: owner.name,
      email: owner.email.toLowerCase(),
      role: 'owner',
      licences: [
        'basic',
        'machine',
        'current',
        'peel',
        'blade',
        'needling025',
        'needling05',
      ] as LicenceId[],
      passwordHash: hash(owner.password),
      demo: false,
    })
  })
}

/** Loads the invented house, or brings it up to today. Loading twice changes nothing. */
export async function seedDemo(
  url: string,
  now: number,
): Promise<{ email: string; password: string; role: string; code: string }[]> {
  const today = DateTime.fromMillis(now, { zone: ZONE }).toISODate() ?? ''
  await withOwner(url, async (db) => {
    const first = (await db.select().from(t.practice)).length === 0
    if (first) await seedHouse(db)
    await seedShelf(db, today)
    if (first) for (const c of DEEP) await seedPast(db, c, today)
    await seedDays(db, today)
  })
  return STAFF.map(({ email, password, role, code }) => ({ email, password, role, code }))
}

async function seedHouse(db: Db): Promise<void> {
  await db.insert(t.practice).values({
    ...HOUSE,
    timeZone: ZONE,
    school: 'warmCloth',
    cleaningMinutes: 10,
    retentionYears: 5,
  })
  await db.insert(t.staff).values(
    STAFF.map((s) => ({
      id: demoId(s.key),
      name: s.name,
      email: s.email,
      role: s.role,
      licences: [...s.licences] as LicenceId[],
      passwordHash: hash(s.password),
      pinHash: hash(s.code),
      demo: true,
    })),
  )
  await db
    .insert(t.rooms)
    .values(Object.entries(ROOMS).map(([k, name]) => ({ id: demoId(`room-${k}`), name })))
  await db.insert(t.devices).values(
    DEVICES.map(([kind, name]) => ({
      id: demoId(`device-${kind}`),
      kind: kind as 'steamer',
      name,
    })),
  )
  const by = demoId('ilse')
  await db.insert(t.clients).values([
    ...DEEP.map((c) => ({
      id: demoId(c.key),
      name: c.name,
      born: c.born,
      work: c.work,
      medicines: c.medicines,
      notes: c.notes,
      preferences: c.likes ?? {},
      phone: '+000 555 0199',
      createdBy: by,
    })),
    ...OTHERS.map((c) => ({
      id: demoId(c.key),
      name: c.name,
      born: c.born,
      work: c.work,
      createdBy: by,
    })),
  ])
}

/** Bottles keep their distance to today, so that the shelf is never wholly out of date. */
async function seedShelf(db: Db, today: string): Promise<void> {
  for (const [i, p] of DEMO_PRODUCTS.entries()) {
    await db
      .insert(t.products)
      .values({
        id: p.id,
        name: p.name,
        line: p.line,
        kind: p.kind,
        inci: [...p.inci],
        density: Math.round(p.density * 1000),
        dispenser: p.dispenser,
        suits: [...p.suits],
        calming: p.calming,
        acid: p.acid ?? null,
        pHHundredths: p.pH === undefined ? null : Math.round(p.pH * 100),
        packMillilitres: p.packMillilitres,
        priceCents: p.priceCents,
        openMonths: p.openMonths,
      })
      .onConflictDoNothing()
    const soon = p.id === 'serum-tide' ? 12 : p.id === 'eye-two' ? -6 : 200 + ((i * 37) % 300)
    // What is used up once opened stands unopened.
    const dates = {
      expires: addDays(today, soon),
      openedOn: p.openMonths <= 1 ? null : addDays(today, -20 - ((i * 11) % 40)),
    }
    await db
      .insert(t.lots)
      .values({
        id: `${p.id}-lot`,
        productId: p.id,
        code: `${p.line.slice(0, 2).toUpperCase()}${1000 + i * 7}`,
        ...dates,
        recalled: p.id === 'clay-tide',
        remainingHundredths: Math.round(p.packMillilitres * (p.id === 'cream-barrier' ? 12 : 70)),
      })
      .onConflictDoUpdate({ target: t.lots.id, set: dates })
  }
}

const answersOf = (c: DemoClient, today: string): Answers =>
  Object.fromEntries(
    FINDING_ORDER.map((id): [string, Answer] => {
      const yes = c.yes[id]
      if (!yes) return [id, { say: 'no' }]
      const { daysAgo, ...rest } = yes
      return [
        id,
        {
          say: 'yes',
          ...rest,
          ...(daysAgo === undefined ? {} : { date: addDays(today, -daysAgo) }),
        },
      ]
    }),
  )
const readingsOf = (c: DemoClient): Readings => ({
  ...Object.fromEntries(ZONE_IDS.map((z) => [z, c.base])),
  ...c.zones,
})

async function seedPast(db: Db, c: DemoClient, today: string): Promise<void> {
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
    const bundle = pastBundle(c, id, startsAt.toMillis(), steps, events, zones, answers, shelf)
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

function pastBundle(
  c: DemoClient,
  id: string,
  startsAt: number,
  steps: VisitBundle['plans'][0]['steps'],
  events: VisitBundle['events'],
  zones: Readings,
  answers: Answers,
  shelf: VisitBundle['shelf'],
): VisitBundle {
  return {
    now: startsAt,
    today: DateTime.fromMillis(startsAt, { zone: ZONE }).toISODate() ?? '',
    visit: {
      id,
      startsAt,
      minutes: 60,
      madeUp: true,
      evening: false,
      aims: c.aims,
      school: c.school,
      status: 'closing',
      version: 1,
      recordText: '',
      nextVisitAt: null,
    },
    client: {
      id: demoId(c.key),
      name: c.name,
      born: c.born,
      age: Math.floor((startsAt - Date.parse(c.born)) / 31_557_600_000),
      work: c.work,
      medicines: c.medicines,
      notes: c.notes,
      preferences: c.likes ?? {},
      faceHeightMm: REFERENCE_FACE.height * 10,
      faceWidthMm: REFERENCE_FACE.width * 10,
    },
    staff: {
      id: demoId('ilse'),
      name: STAFF[0].name,
      role: 'owner',
      licences: [...STAFF[0].licences],
      scope: [],
    },
    room: { id: demoId('room-lake'), name: ROOMS.lake },
    practice: { ...HOUSE, timeZone: ZONE },
    may: { write: true, seal: true, countersign: false, export: true },
    answers,
    answered: true,
    answerVersions: [],
    previousAnswers: null,
    fromClient: null,
    consent: { method: 'pen', name: null, at: startsAt, guardian: false },
    signatures: [],
    withdrawals: [],
    whole: c.whole ?? {},
    halves: [],
    houseRules: [],
    lifts: [],
    policy: NO_POLICY,
    protocols: [],
    previousPlan: null,
    patchTests: [],
    usedProducts: [],
    patchAgain: null,
    readings: { madeUp: zones, bare: null },
    previousReading: null,
    baseline: null,
    meters: { today: [], before: [] },
    plans: [{ version: 1, steps, reason: '', countersignedBy: null, protocol: null }],
    past: [],
    poured: [],
    shelf,
    devices: DEVICES.map(([kind]) => kind as 'steamer'),
    events,
    seal: null,
    record: [],
    amendments: [],
    followUp: null,
  }
}

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

async function seedDays(db: Db, today: string): Promise<void> {
  for (const d of DAYS)
    for (const [key, hour, minute, minutes, room, who] of d.visits) {
      const day = addDays(today, d.offset)
      const id = demoId(`visit-${key}-${day}`)
      if (
        (await db.select({ id: t.visits.id }).from(t.visits).where(eq(t.visits.id, id))).length > 0
      )
        continue
      const deep = DEEP.find((c) => c.key === key)
      const startsAt = DateTime.fromISO(day, { zone: ZONE }).set({ hour, minute })
      await db.insert(t.visits).values({
        id,
        clientId: demoId(key),
        staffId: demoId(who),
        roomId: demoId(`room-${room}`),
        startsAt: startsAt.toJSDate(),
        minutes,
        aims: deep?.aims ?? ['dehydration', 'rest'],
        school: deep?.school ?? 'warmCloth',
        madeUp: key !== 'forester',
      })
      if (deep && PREPARED.includes(key)) await prepare(db, deep, id, day, minutes, who)
    }
}

/** Asked, read and planned the evening before. */
async function prepare(
  db: Db,
  c: DemoClient,
  id: string,
  day: string,
  minutes: number,
  who: string,
): Promise<void> {
  const by = demoId(who)
  const answers = answersOf(c, day)
  const zones = readingsOf(c)
  await db.insert(t.consultations).values({
    id: demoId(`${id}-ask`),
    visitId: id,
    clientId: demoId(c.key),
    answers,
    medicines: c.medicines,
    by,
  })
  await db.insert(t.consents).values({
    id: demoId(`${id}-consent`),
    visitId: id,
    clientId: demoId(c.key),
    method: 'typed',
    name: c.name,
    guardian: false,
    sentence:
      'I have answered to the best of my knowledge, I know what is planned today and may stop it at any time.',
    by,
  })
  await db.insert(t.readings).values({
    id: demoId(`${id}-read`),
    visitId: id,
    clientId: demoId(c.key),
    phase: 'madeUp',
    zones,
    whole: c.whole ?? {},
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
  const staff = STAFF.find((s) => s.key === who) ?? STAFF[0]
  const base = pastBundle(c, id, startsAt, [], [], zones, answers, shelf)
  const input = toPlanInput({
    ...base,
    today: day,
    visit: { ...base.visit, minutes },
    staff: { ...base.staff, licences: [...staff.licences] },
  })
  const plan = propose({
    ...input,
    verdict: screen(answers, day),
    profile: deriveProfile(zones, base.client.age ?? undefined),
  })
  await db.insert(t.plans).values({ visitId: id, version: 0, steps: [...plan.steps], by })
}
