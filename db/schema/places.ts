import { sql } from 'drizzle-orm'
import { boolean, check, date, integer, jsonb, pgTable, text, uuid } from 'drizzle-orm/pg-core'
import type { DeviceKey } from '#core/catalogue/techniques/ownShapes'

/** What this data folder is for; written once, when it is begun, and never changed. */
export const houseKind = pgTable(
  'house_kind',
  {
    id: integer('id').primaryKey().default(1),
    kind: text('kind', { enum: ['demo', 'own'] }).notNull(),
  },
  (table) => [check('house_kind_one_row', sql`${table.id} = 1`)],
)

export const rooms = pgTable('rooms', {
  id: uuid('id').primaryKey(),
  name: text('name').notNull().unique(),
  /** Used no more; its visits stand. */
  closed: boolean('closed').notNull().default(false),
})

export const devices = pgTable('devices', {
  id: uuid('id').primaryKey(),
  kind: text('kind').$type<DeviceKey>().notNull(),
  name: text('name').notNull(),
  serial: text('serial').notNull().default(''),
  serviceDue: date('service_due', { mode: 'string' }),
  /** Away or in repair: nothing that needs it can be planned. */
  ready: boolean('ready').notNull().default(true),
  /** Rooms it stands in; none: it goes where it is wanted. */
  roomIds: jsonb('room_ids').$type<string[]>().notNull().default([]),
})

/** Heads, tips and electrodes of a device, and how many of each there are. */
export const deviceParts = pgTable(
  'device_parts',
  {
    id: uuid('id').primaryKey(),
    deviceId: uuid('device_id')
      .notNull()
      .references(() => devices.id),
    name: text('name').notNull(),
    pieces: integer('pieces').notNull(),
    /** Fewer than these are spoken of; none: never. */
    reorderPieces: integer('reorder_pieces'),
  },
  (table) => [check('device_parts_pieces', sql`${table.pieces} between 0 and 10000`)],
)
