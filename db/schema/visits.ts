import { sql } from 'drizzle-orm'
import {
  bigint,
  boolean,
  check,
  date,
  doublePrecision,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  text,
  timestamp,
  unique,
  uuid,
} from 'drizzle-orm/pg-core'
import type { ConsentId } from '#core/catalogue/consultation/consents'
import type { ConcernId, DeviceKind } from '#core/catalogue/kinds'
import type { Dispenser, Product } from '#core/catalogue/products/products'
import type { PlanStep } from '#core/catalogue/techniques/step'
import type { Answers } from '#core/screening/answers'
import type { WholeReading } from '#core/skin/notes'
import type { Readings } from '#core/skin/readings'
import type { EventBody } from '#core/treatment/events'
import type { Json } from '#core/record/canonical'
import { clients, staff } from './people'

const at = (name: string) => timestamp(name, { withTimezone: true, mode: 'date' })

export const rooms = pgTable('rooms', {
  id: uuid('id').primaryKey(),
  name: text('name').notNull().unique(),
})

export const devices = pgTable('devices', {
  id: uuid('id').primaryKey(),
  kind: text('kind').$type<DeviceKind>().notNull(),
  name: text('name').notNull(),
  ready: boolean('ready').notNull().default(true),
})

export const visits = pgTable(
  'visits',
  {
    id: uuid('id').primaryKey(),
    clientId: uuid('client_id')
      .notNull()
      .references(() => clients.id),
    staffId: uuid('staff_id')
      .notNull()
      .references(() => staff.id),
    roomId: uuid('room_id')
      .notNull()
      .references(() => rooms.id),
    startsAt: at('starts_at').notNull(),
    minutes: integer('minutes').notNull(),
    madeUp: boolean('made_up').notNull().default(true),
    evening: boolean('evening').notNull().default(false),
    aims: jsonb('aims').$type<ConcernId[]>().notNull().default([]),
    school: text('school').notNull(),
    status: text('status', { enum: ['booked', 'treating', 'closing', 'sealed', 'cancelled'] })
      .notNull()
      .default('booked'),
    /** Free text of the record while it may still be edited. */
    recordText: text('record_text').notNull().default(''),
    nextVisitAt: at('next_visit_at'),
    imported: boolean('imported').notNull().default(false),
    version: integer('version').notNull().default(1),
  },
  (table) => [
    index('visits_starts').on(table.startsAt),
    index('visits_client').on(table.clientId, table.startsAt),
    index('visits_staff').on(table.staffId),
    check('visits_minutes', sql`${table.minutes} between 15 and 180`),
    check(
      'visits_status',
      sql`${table.status} in ('booked','treating','closing','sealed','cancelled')`,
    ),
  ],
)

/** Every version of the answers is kept; insert only. */
export const consultations = pgTable(
  'consultations',
  {
    id: uuid('id').primaryKey(),
    visitId: uuid('visit_id')
      .notNull()
      .references(() => visits.id),
    clientId: uuid('client_id')
      .notNull()
      .references(() => clients.id),
    answers: jsonb('answers').$type<Answers | null>(),
    medicines: text('medicines'),
    by: uuid('by')
      .notNull()
      .references(() => staff.id),
    at: at('at').notNull().defaultNow(),
  },
  (table) => [index('consultations_client').on(table.clientId, table.at)],
)

export const consents = pgTable(
  'consents',
  {
    id: uuid('id').primaryKey(),
    visitId: uuid('visit_id')
      .notNull()
      .references(() => visits.id),
    clientId: uuid('client_id')
      .notNull()
      .references(() => clients.id),
    method: text('method', { enum: ['pen', 'typed'] }).notNull(),
    name: text('name'),
    guardian: boolean('guardian').notNull().default(false),
    /** Pen strokes as an SVG path, or nothing when typed. */
    strokes: text('strokes'),
    sentence: text('sentence').notNull(),
    /** What it was given for. */
    kinds: jsonb('kinds')
      .$type<ConsentId[]>()
      .notNull()
      .default(['care', 'exfoliation', 'machine', 'current', 'needling']),
    by: uuid('by')
      .notNull()
      .references(() => staff.id),
    at: at('at').notNull().defaultNow(),
  },
  (table) => [check('consents_method', sql`${table.method} in ('pen','typed')`)],
)

/** A one-time link for a client's own device. Only the hash of what opens it is kept. */
export const clientLinks = pgTable(
  'client_links',
  {
    id: uuid('id').primaryKey(),
    visitId: uuid('visit_id')
      .notNull()
      .references(() => visits.id),
    tokenHash: text('token_hash').notNull().unique(),
    expiresAt: at('expires_at').notNull(),
    submittedAt: at('submitted_at'),
    answers: jsonb('answers').$type<Answers | null>(),
    medicines: text('medicines'),
    by: uuid('by')
      .notNull()
      .references(() => staff.id),
    at: at('at').notNull().defaultNow(),
  },
  (table) => [index('client_links_visit').on(table.visitId)],
)

export const readings = pgTable(
  'readings',
  {
    id: uuid('id').primaryKey(),
    visitId: uuid('visit_id')
      .notNull()
      .references(() => visits.id),
    clientId: uuid('client_id')
      .notNull()
      .references(() => clients.id),
    phase: text('phase', { enum: ['madeUp', 'bare'] }).notNull(),
    zones: jsonb('zones').$type<Readings | null>(),
    whole: jsonb('whole').$type<WholeReading | null>(),
    by: uuid('by')
      .notNull()
      .references(() => staff.id),
    at: at('at').notNull().defaultNow(),
  },
  (table) => [
    index('readings_client').on(table.clientId, table.at),
    check('readings_phase', sql`${table.phase} in ('madeUp','bare')`),
  ],
)

/**
 * What a meter gave on one zone: three values, their median and spread. Insert only; erasing drops
 * the values.
 */
export const meterReadings = pgTable(
  'meter_readings',
  {
    id: uuid('id').primaryKey(),
    visitId: uuid('visit_id')
      .notNull()
      .references(() => visits.id),
    clientId: uuid('client_id')
      .notNull()
      .references(() => clients.id),
    kind: text('kind').notNull(),
    zone: text('zone').notNull(),
    phase: text('phase', { enum: ['madeUp', 'bare'] }).notNull(),
    serial: text('serial').notNull(),
    unit: text('unit').notNull(),
    taken: jsonb('taken').$type<number[] | null>(),
    median: doublePrecision('median'),
    spread: doublePrecision('spread'),
    by: uuid('by')
      .notNull()
      .references(() => staff.id),
    at: at('at').notNull().defaultNow(),
  },
  (table) => [
    index('meter_readings_client').on(table.clientId, table.at),
    index('meter_readings_visit').on(table.visitId),
    check('meter_readings_phase', sql`${table.phase} in ('madeUp','bare')`),
  ],
)

/** Version 0 is the draft, which may be overwritten; 1 and up are frozen by the database. */
export const plans = pgTable(
  'plans',
  {
    visitId: uuid('visit_id')
      .notNull()
      .references(() => visits.id),
    version: integer('version').notNull(),
    steps: jsonb('steps').$type<PlanStep[] | null>(),
    reason: text('reason').notNull().default(''),
    by: uuid('by')
      .notNull()
      .references(() => staff.id),
    at: at('at').notNull().defaultNow(),
    countersignedBy: uuid('countersigned_by').references(() => staff.id),
    /** The house's protocol that it was made from, and which version of it. */
    protocolId: uuid('protocol_id'),
    protocolVersion: integer('protocol_version'),
  },
  (table) => [
    primaryKey({ columns: [table.visitId, table.version] }),
    check('plans_version', sql`${table.version} >= 0`),
  ],
)

/** Taps in the room; insert only. The id is the device's own. */
export const visitEvents = pgTable(
  'visit_events',
  {
    id: uuid('id').primaryKey(),
    visitId: uuid('visit_id')
      .notNull()
      .references(() => visits.id),
    at: bigint('at', { mode: 'number' }).notNull(),
    deviceId: text('device_id').notNull(),
    seq: integer('seq').notNull(),
    planVersion: integer('plan_version').notNull(),
    body: jsonb('body').$type<EventBody | null>(),
    by: uuid('by')
      .notNull()
      .references(() => staff.id),
    receivedAt: at('received_at').notNull().defaultNow(),
  },
  (table) => [
    index('visit_events_visit').on(table.visitId, table.at),
    unique('visit_events_device_seq').on(table.visitId, table.deviceId, table.seq),
  ],
)

/** One chain for the practice: each seal stands on the head before it. Insert only. */
export const seals = pgTable(
  'seals',
  {
    number: integer('number').primaryKey(),
    visitId: uuid('visit_id')
      .notNull()
      .references(() => visits.id)
      .unique(),
    prev: text('prev').notNull().unique(),
    head: text('head').notNull().unique(),
    by: uuid('by')
      .notNull()
      .references(() => staff.id),
    at: at('at').notNull().defaultNow(),
  },
  (table) => [
    check('seals_hex', sql`${table.prev} ~ '^[0-9a-f]{64}$' and ${table.head} ~ '^[0-9a-f]{64}$'`),
  ],
)

/** Commitments stay for ever; content and salt go when a client's data is erased. */
export const sealItems = pgTable(
  'seal_items',
  {
    visitId: uuid('visit_id')
      .notNull()
      .references(() => seals.visitId),
    place: integer('place').notNull(),
    name: text('name').notNull(),
    commitment: text('commitment').notNull(),
    content: jsonb('content').$type<Json | null>(),
    salt: text('salt'),
  },
  (table) => [
    primaryKey({ columns: [table.visitId, table.place] }),
    check('seal_items_hex', sql`${table.commitment} ~ '^[0-9a-f]{64}$'`),
  ],
)

/** Later changes, in the open: both texts and why. Insert only. */
export const amendments = pgTable('amendments', {
  id: uuid('id').primaryKey(),
  visitId: uuid('visit_id')
    .notNull()
    .references(() => seals.visitId),
  before: text('before'),
  after: text('after'),
  reason: text('reason'),
  by: uuid('by')
    .notNull()
    .references(() => staff.id),
  at: at('at').notNull().defaultNow(),
})

export const followUps = pgTable('follow_ups', {
  id: uuid('id').primaryKey(),
  visitId: uuid('visit_id')
    .notNull()
    .references(() => visits.id)
    .unique(),
  dueOn: date('due_on', { mode: 'string' }).notNull(),
  reason: text('reason').notNull(),
  doneAt: at('done_at'),
})

/** What was poured in at home or elsewhere, as the client told it. */
export const homeUse = pgTable('home_use', {
  id: uuid('id').primaryKey(),
  clientId: uuid('client_id')
    .notNull()
    .references(() => clients.id),
  at: at('at').notNull(),
  label: text('label').notNull(),
  hundredths: integer('hundredths').notNull(),
})

export const products = pgTable(
  'products',
  {
    id: text('id').primaryKey(),
    name: text('name').notNull(),
    line: text('line').notNull(),
    kind: text('kind').$type<Product['kind']>().notNull(),
    inci: jsonb('inci').$type<string[]>().notNull(),
    density: integer('density_per_mille').notNull(),
    dispenser: jsonb('dispenser').$type<Dispenser>().notNull(),
    suits: jsonb('suits').$type<Product['suits']>().notNull(),
    calming: boolean('calming').notNull(),
    acid: jsonb('acid').$type<NonNullable<Product['acid']>>(),
    pHHundredths: integer('ph_hundredths'),
    packMillilitres: integer('pack_millilitres').notNull(),
    priceCents: integer('price_cents').notNull(),
    openMonths: integer('open_months').notNull(),
  },
  (table) => [
    check(
      'products_amounts',
      sql`${table.density} between 500 and 3000 and ${table.packMillilitres} > 0
        and ${table.priceCents} >= 0 and ${table.openMonths} between 1 and 60`,
    ),
  ],
)

export const lots = pgTable(
  'lots',
  {
    id: text('id').primaryKey(),
    productId: text('product_id')
      .notNull()
      .references(() => products.id),
    code: text('code').notNull(),
    expires: date('expires', { mode: 'string' }).notNull(),
    openedOn: date('opened_on', { mode: 'string' }),
    recalled: boolean('recalled').notNull().default(false),
    remainingHundredths: integer('remaining_hundredths_ml').notNull(),
  },
  (table) => [check('lots_remaining', sql`${table.remainingHundredths} >= 0`)],
)

/**
 * Visits recorded by another house, as they came. Whether their seal holds is checked at import; it
 * is never taken for one of ours.
 */
export const imports = pgTable(
  'imports',
  {
    id: uuid('id').primaryKey(),
    clientId: uuid('client_id')
      .notNull()
      .references(() => clients.id),
    document: jsonb('document').$type<Json | null>(),
    head: text('head').notNull(),
    holds: boolean('holds').notNull(),
    ours: boolean('ours').notNull(),
    by: uuid('by')
      .notNull()
      .references(() => staff.id),
    at: at('at').notNull().defaultNow(),
  },
  (table) => [unique('imports_once').on(table.clientId, table.head)],
)
