import { sql } from 'drizzle-orm'
import { check, index, jsonb, pgTable, text, timestamp, uuid } from 'drizzle-orm/pg-core'
import type { ConsentId } from '#core/catalogue/consultation/consents'
import type { RegionId } from '#core/face/zones'
import type { Halves } from '#core/skin/halves'
import type { Tightening } from '#core/screening/verdict/houseRules'
import type { PatchPlace } from '#core/screening/products/patch'
import { bytes } from './bytes'
import { clients, staff } from './people'
import { products } from './shelf'
import { visits } from './visits'

const at = (name: string) => timestamp(name, { withTimezone: true, mode: 'date' })
const by = () =>
  uuid('by')
    .notNull()
    .references(() => staff.id)

/** A signature taken back. Insert only. */
export const withdrawals = pgTable(
  'withdrawals',
  {
    id: uuid('id').primaryKey(),
    clientId: uuid('client_id')
      .notNull()
      .references(() => clients.id),
    kinds: jsonb('kinds').$type<ConsentId[]>().notNull(),
    by: by(),
    at: at('at').notNull().defaultNow(),
  },
  (table) => [index('withdrawals_client').on(table.clientId)],
)

/** Where a dab of a product was placed, and what was seen there. Insert only. */
export const patchTests = pgTable(
  'patch_tests',
  {
    id: uuid('id').primaryKey(),
    clientId: uuid('client_id')
      .notNull()
      .references(() => clients.id),
    productId: text('product_id')
      .notNull()
      .references(() => products.id),
    place: text('place').$type<PatchPlace>().notNull(),
    by: by(),
    at: at('at').notNull().defaultNow(),
  },
  (table) => [
    index('patch_tests_client').on(table.clientId),
    check('patch_tests_place', sql`${table.place} in ('behindEar','innerElbow')`),
  ],
)
export const patchReads = pgTable(
  'patch_reads',
  {
    id: uuid('id').primaryKey(),
    testId: uuid('test_id')
      .notNull()
      .references(() => patchTests.id),
    result: text('result', { enum: ['clear', 'reaction'] }).notNull(),
    by: by(),
    at: at('at').notNull().defaultNow(),
  },
  (table) => [
    index('patch_reads_test').on(table.testId),
    check('patch_reads_result', sql`${table.result} in ('clear','reaction')`),
  ],
)

/** Rows of the table that this house works more strictly, until ended. */
export const houseRules = pgTable('house_rules', {
  id: uuid('id').primaryKey(),
  rule: text('rule').notNull(),
  change: jsonb('change').$type<Tightening>().notNull(),
  reason: text('reason').notNull(),
  by: by(),
  at: at('at').notNull().defaultNow(),
  endedAt: at('ended_at'),
})

/** Rows set aside for one visit. Insert only: the mark stays. */
export const lifts = pgTable(
  'lifts',
  {
    id: uuid('id').primaryKey(),
    visitId: uuid('visit_id')
      .notNull()
      .references(() => visits.id),
    rule: text('rule').notNull(),
    word: text('word'),
    reason: text('reason'),
    by: by(),
    at: at('at').notNull().defaultNow(),
  },
  (table) => [index('lifts_visit').on(table.visitId)],
)

/** One half worked, the other left: how both looked, before and after. Insert only. */
export const halfFaces = pgTable(
  'half_faces',
  {
    id: uuid('id').primaryKey(),
    visitId: uuid('visit_id')
      .notNull()
      .references(() => visits.id),
    moment: text('moment', { enum: ['before', 'after'] }).notNull(),
    worked: text('worked', { enum: ['L', 'R'] }).notNull(),
    light: text('light').notNull(),
    grades: jsonb('grades').$type<Halves | null>(),
    by: by(),
    at: at('at').notNull().defaultNow(),
  },
  (table) => [
    index('half_faces_visit').on(table.visitId),
    check('half_faces_moment', sql`${table.moment} in ('before','after')`),
    check('half_faces_worked', sql`${table.worked} in ('L','R')`),
  ],
)

/** A picture of what was seen, where the client agreed to one. Insert only; erasing drops it. */
export const photographs = pgTable(
  'photographs',
  {
    id: uuid('id').primaryKey(),
    visitId: uuid('visit_id')
      .notNull()
      .references(() => visits.id),
    regions: jsonb('regions').$type<RegionId[]>().notNull(),
    /** A small JPEG, drawn anew by the house: without what a camera writes into it. */
    jpeg: bytes('jpeg'),
    /** Of the JPEG's bytes: it stands in the sealed record. */
    sha256: text('sha256').notNull(),
    by: by(),
    at: at('at').notNull().defaultNow(),
  },
  (table) => [index('photographs_visit').on(table.visitId)],
)
