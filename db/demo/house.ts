import type { LicenceId } from '#core/catalogue/kinds'
import { addDays } from '#core/screening/days'
import * as t from '../schema'
import { hashOf, type Database } from '../owner'
import { DEEP, OTHERS } from './clients'
import { demoId } from './ids'
import { DEMO_PRODUCTS } from './products'

export const ZONE = 'Europe/Helsinki'
export const ROOMS = { lake: 'Lake room', stove: 'Stove room' } as const
export const STAFF = [
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
export const DEVICES: readonly (readonly [string, string])[] = [
  ['steamer', 'Steamer'],
  ['towelCabinet', 'Towel cabinet'],
  ['tipMachine', 'Tip and vacuum machine'],
  ['highFrequencyWand', 'High-frequency wand'],
  ['needlingPen', 'Needling pen'],
  ['lamp', 'Lamp'],
  ['microcurrentWand', 'Microcurrent'],
  ['ultrasonicSpatula', 'Ultrasonic spatula'],
]
export const HOUSE = {
  name: 'Oak Basin Rooms',
  address: "Bookbinder's House, Quay Lane 3, Tarnholt",
  phone: '+000 555 0140',
  emergency: '112',
}

export async function seedHouse(db: Database): Promise<void> {
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
      passwordHash: hashOf(s.password),
      pinHash: hashOf(s.code),
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
export async function seedShelf(db: Database, today: string): Promise<void> {
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
