import { sql } from 'drizzle-orm'
import {
  bigint,
  boolean,
  check,
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
import type { MakeUpId } from '#core/catalogue/consultation/makeUp'
import type { ConsentId } from '#core/catalogue/consultation/consents'
import type { ConcernId } from '#core/catalogue/kinds'
import type { SchoolId } from '#core/catalogue/schools/schools'
import type { HomeAsked } from '#core/home/asked'
import type { Basin } from '#core/planning/checks/basins'
import type { PlanStep } from '#core/catalogue/techniques/step'
import type { TechniqueId } from '#core/catalogue/techniques/techniques'
import type { Answers } from '#core/screening/asking/answers'
import type { WholeReading } from '#core/skin/notes'
import type { Readings } from '#core/skin/readings'
import type { EventBody } from '#core/treatment/taps/events'
import { clients, staff } from './people'
import { rooms } from './places'

const at = (name: string) => timestamp(name, { withTimezone: true, mode: 'date' })

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
    /** When the treatment began: what record, intervals and load reckon from, once it has. */
    begunAt: at('begun_at'),
    /** Worn on the face as the client comes; nothing is a bare face, null is not asked yet. */
    makeUp: jsonb('make_up').$type<MakeUpId[]>(),
    evening: boolean('evening').notNull().default(false),
    aims: jsonb('aims').$type<ConcernId[]>().notNull().default([]),
    /** Strong work that was booked or asked for by name. */
    named: jsonb('named').$type<TechniqueId[]>().notNull().default([]),
    school: text('school').$type<SchoolId>().notNull(),
    status: text('status', { enum: ['booked', 'treating', 'closing', 'sealed', 'cancelled'] })
      .notNull()
      .default('booked'),
    /** Free text of the record while it may still be edited. */
    recordText: text('record_text').notNull().default(''),
    nextVisitAt: at('next_visit_at'),
    imported: boolean('imported').notNull().default(false),
    /** Why it stands although the room or a person is taken or the house is shut: an owner's word. */
    allowedBecause: text('allowed_because'),
    /** How it fell away, where it did, and why. */
    fellAway: text('fell_away', { enum: ['calledOff', 'noShow'] }),
    fellAwayBecause: text('fell_away_because'),
    /** Minutes the client came late: that much less can be planned. */
    lateMinutes: integer('late_minutes').notNull().default(0),
    /** How it was taken, as asked at its end; null is not asked. */
    taken: text('taken', { enum: ['well', 'badly'] }),
    version: integer('version').notNull().default(1),
  },
  (table) => [
    index('visits_starts').on(table.startsAt),
    index('visits_client').on(table.clientId, table.startsAt),
    index('visits_staff').on(table.staffId),
    /** What waits to be written up: few of many. */
    index('visits_unfinished')
      .on(table.startsAt)
      .where(sql`${table.status} in ('treating','closing')`),
    check('visits_make_up', sql`jsonb_typeof(${table.makeUp}) = 'array'`),
    check('visits_taken', sql`${table.taken} in ('well','badly')`),
    check('visits_late', sql`${table.lateMinutes} between 0 and 120`),
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
  (table) => [
    index('consultations_client').on(table.clientId, table.at),
    index('consultations_visit').on(table.visitId),
  ],
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
  (table) => [
    index('consents_client').on(table.clientId, table.at),
    index('consents_visit').on(table.visitId),
    check('consents_method', sql`${table.method} in ('pen','typed')`),
  ],
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
    /** What they say of home; null where they said nothing. */
    home: jsonb('home').$type<HomeAsked | null>(),
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
    index('readings_visit').on(table.visitId),
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
    /** The four bowls after the whole of it, as Day shows them. */
    basins: jsonb('basins').$type<Basin[] | null>(),
    by: uuid('by')
      .notNull()
      .references(() => staff.id),
    at: at('at').notNull().defaultNow(),
    countersignedBy: uuid('countersigned_by').references(() => staff.id),
    /** What was countersigned: SHA-256 of the steps as they stood. */
    countersignedHash: text('countersigned_hash'),
    countersignedAt: at('countersigned_at'),
    /** Who had signed a draft, when, and what has changed since: it is signed anew. */
    unsigned: jsonb('unsigned').$type<{ by: string; at: number; because: string } | null>(),
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
