import { eq } from 'drizzle-orm'
import type { LicenceId } from '#core/catalogue/kinds'
import type { Product } from '#core/catalogue/products/products'
import { addDays } from '#core/screening/asking/days'
import * as tables from '../schema'
import { hashOf, type Database } from '../owner'
import { DEEP, OTHERS } from './clients'
import { demoId } from './ids'
import { DEMO_PRODUCTS } from './products'

/** Where the invented house stands; a house for trying things out may be put elsewhere. */
export const ZONE = process.env.OAK_DEMO_ZONE ?? 'Europe/Helsinki'
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
  ['crystalMachine', 'Crystal machine'],
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
  await db.insert(tables.houseKind).values({ kind: 'demo' })
  await db.insert(tables.practice).values({
    ...HOUSE,
    timeZone: ZONE,
    school: 'warmCloth',
    cleaningMinutes: 10,
    retentionYears: 5,
  })
  await db.insert(tables.staff).values(
    STAFF.map((person) => ({
      id: demoId(person.key),
      name: person.name,
      email: person.email,
      role: person.role,
      licences: [...person.licences] as LicenceId[],
      passwordHash: hashOf(person.password),
      pinHash: hashOf(person.code),
      demo: true,
    })),
  )
  await db
    .insert(tables.rooms)
    .values(Object.entries(ROOMS).map(([key, name]) => ({ id: demoId(`room-${key}`), name })))
  await db.insert(tables.devices).values(
    DEVICES.map(([kind, name]) => ({
      id: demoId(`device-${kind}`),
      kind: kind as 'steamer',
      name,
    })),
  )
  const by = demoId('ilse')
  await db.insert(tables.clients).values([
    ...DEEP.map((demoClient) => ({
      id: demoId(demoClient.key),
      name: demoClient.name,
      born: demoClient.born,
      work: demoClient.work,
      medicines: demoClient.medicines,
      notes: demoClient.notes,
      preferences: demoClient.likes ?? {},
      phone: '+000 555 0199',
      createdBy: by,
    })),
    ...OTHERS.map((other) => ({
      id: demoId(other.key),
      name: other.name,
      born: other.born,
      work: other.work,
      createdBy: by,
    })),
  ])
}

/** Bottles keep their distance to today, so that the shelf is never wholly out of date. */
export async function seedShelf(db: Database, today: string): Promise<void> {
  for (const [i, product] of DEMO_PRODUCTS.entries()) {
    await db
      .insert(tables.products)
      .values({
        id: product.id,
        name: product.name,
        line: product.line,
        kind: product.kind,
        inci: [...product.inci],
        density: Math.round(product.density * 1000),
        dispenser: product.dispenser,
        suits: [...product.suits],
        calming: product.calming,
        acid: product.acid ?? null,
        pHHundredths: product.pH === undefined ? null : Math.round(product.pH * 100),
        packMillilitres: product.packMillilitres,
        priceCents: product.priceCents,
        openMonths: product.openMonths,
        colourChange: product.colourChange ?? null,
        rests: product.rests ?? null,
        wayOff: product.wayOff ?? null,
      })
      .onConflictDoNothing()
    const soon =
      product.id === 'serum-tide' ? 12 : product.id === 'eye-two' ? -6 : 200 + ((i * 37) % 300)
    // What is used up once opened stands unopened.
    const dates = {
      expires: addDays(today, soon),
      openedOn: product.openMonths <= 1 ? null : addDays(today, -20 - ((i * 11) % 40)),
    }
    await db
      .insert(tables.lots)
      .values({
        id: `${product.id}-lot`,
        productId: product.id,
        code: `${product.line.slice(0, 2).toUpperCase()}${1000 + i * 7}`,
        ...dates,
        recalled: product.id === 'clay-tide',
      })
      .onConflictDoUpdate({ target: tables.lots.id, set: dates })
    await receive(db, product)
  }
}

/** What the bottle holds when the demo begins; a bottle that has moved since is left as it is. */
async function receive(db: Database, { id, packMillilitres }: Product): Promise<void> {
  const lotId = `${id}-lot`
  const [moved] = await db
    .select({ id: tables.lotMovements.id })
    .from(tables.lotMovements)
    .where(eq(tables.lotMovements.lotId, lotId))
    .limit(1)
  if (moved) return
  await db.insert(tables.lotMovements).values({
    id: demoId(`received-${id}`),
    lotId,
    kind: 'received',
    hundredths: Math.round(packMillilitres * (id === 'cream-barrier' ? 12 : 70)),
    reason: 'the demo begins',
  })
}
