import { sql } from 'drizzle-orm'
import {
  check,
  type AnyPgColumn,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  text,
  timestamp,
  uuid,
} from 'drizzle-orm/pg-core'
import type { HousePolicy } from '#core/catalogue/schools/schools'
import type { OwnKind } from '#core/catalogue/techniques/ownShapes'
import type { ProtocolStep } from '#core/catalogue/techniques/step'
import type { OwnWay } from '#core/catalogue/techniques/techniques'
import { staff } from './people'

const at = (name: string) => timestamp(name, { withTimezone: true, mode: 'date' })
const by = () =>
  uuid('by')
    .notNull()
    .references(() => staff.id)

/**
 * What the house has decided on points where practitioners differ; the latest row stands. Insert
 * only.
 */
export const housePolicies = pgTable('house_policies', {
  id: uuid('id').primaryKey(),
  policy: jsonb('policy').$type<HousePolicy>().notNull(),
  reason: text('reason').notNull(),
  by: by(),
  at: at('at').notNull().defaultNow(),
})

/**
 * The house's own protocols. A retired one is no longer offered; plans that were made from it keep
 * pointing at its version.
 */
export const protocols = pgTable('protocols', {
  id: uuid('id').primaryKey(),
  name: text('name').notNull(),
  /** The short one of a pair: what is worked by it where the hour is an express one. */
  expressOf: uuid('express_of').references((): AnyPgColumn => protocols.id),
  retiredAt: at('retired_at'),
})
/** Each keeping is a new version; insert only. */
export const protocolVersions = pgTable(
  'protocol_versions',
  {
    protocolId: uuid('protocol_id')
      .notNull()
      .references(() => protocols.id),
    version: integer('version').notNull(),
    steps: jsonb('steps').$type<ProtocolStep[]>().notNull(),
    note: text('note').notNull().default(''),
    by: by(),
    at: at('at').notNull().defaultNow(),
  },
  (table) => [
    primaryKey({ columns: [table.protocolId, table.version] }),
    check('protocol_versions_number', sql`${table.version} >= 1`),
  ],
)

/**
 * Kinds of device of the house's own. One that is retired is no longer offered; what was planned and done
 * with it stands, in the plans themselves.
 */
export const ownKinds = pgTable('own_kinds', {
  id: text('id').primaryKey(),
  kind: jsonb('kind').$type<OwnKind>().notNull(),
  retiredAt: at('retired_at'),
  version: integer('version').notNull().default(1),
  by: by(),
  at: at('at').notNull().defaultNow(),
})
/** Techniques as the house does them; the device is found by its id, so that it has one telling. */
export const ownWays = pgTable('own_ways', {
  id: uuid('id').primaryKey(),
  way: jsonb('way').$type<Omit<OwnWay, 'device'>>().notNull(),
  deviceId: text('device_id').references(() => ownKinds.id),
  retiredAt: at('retired_at'),
  version: integer('version').notNull().default(1),
  by: by(),
  at: at('at').notNull().defaultNow(),
})
