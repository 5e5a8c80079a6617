import { sql } from 'drizzle-orm'
import {
  boolean,
  check,
  date,
  index,
  integer,
  jsonb,
  pgTable,
  text,
  timestamp,
  uniqueIndex,
  uuid,
} from 'drizzle-orm/pg-core'
import type { SchoolId } from '#core/catalogue/schools/schools'
import type { LicenceId } from '#core/catalogue/kinds'
import type { Preferences } from '#core/catalogue/consultation/preferences'
import { ROLES } from '#core/visit/roles'

const at = (name: string) => timestamp(name, { withTimezone: true, mode: 'date' })

/** The house: one row. */
export const practice = pgTable(
  'practice',
  {
    id: integer('id').primaryKey().default(1),
    name: text('name').notNull(),
    address: text('address').notNull(),
    phone: text('phone').notNull(),
    emergency: text('emergency').notNull(),
    timeZone: text('time_zone').notNull(),
    school: text('school').$type<SchoolId>().notNull(),
    cleaningMinutes: integer('cleaning_minutes').notNull().default(10),
    /** What may be done in this place at all, whoever does it. */
    allows: jsonb('allows')
      .$type<LicenceId[]>()
      .notNull()
      .default(['basic', 'machine', 'current', 'needling025', 'needling05']),
    retentionYears: integer('retention_years').notNull().default(5),
    /** ISO 4217, for prices on the shelf. */
    currency: text('currency').notNull().default('EUR'),
    /** Minutes without a hand on it after which a tablet locks itself. */
    lockMinutes: integer('lock_minutes').notNull().default(10),
    /** Whether owners must sign in with a second factor. */
    ownersSecondFactor: boolean('owners_second_factor').notNull().default(false),
    /** The house's own words at the foot of what a client takes home. */
    cardText: text('card_text').notNull().default(''),
    /** The house's own words of a message with a question, and of one with the card. */
    questionMessage: text('question_message').notNull().default(''),
    cardMessage: text('card_message').notNull().default(''),
    version: integer('version').notNull().default(1),
  },
  (table) => [
    check('practice_one_row', sql`${table.id} = 1`),
    check('practice_cleaning', sql`${table.cleaningMinutes} between 0 and 60`),
    check('practice_lock', sql`${table.lockMinutes} between 1 and 120`),
    check('practice_retention', sql`${table.retentionYears} between 1 and 30`),
  ],
)

export const staff = pgTable(
  'staff',
  {
    id: uuid('id').primaryKey(),
    name: text('name').notNull(),
    email: text('email').notNull(),
    role: text('role', { enum: ROLES }).notNull(),
    licences: jsonb('licences').$type<LicenceId[]>().notNull(),
    /** Last day of each licence that has one. */
    licenceUntil: jsonb('licence_until')
      .$type<Partial<Record<LicenceId, string>>>()
      .notNull()
      .default({}),
    /** Where the proof of each licence is kept, in the house's words. */
    licenceNotes: jsonb('licence_notes')
      .$type<Partial<Record<LicenceId, string>>>()
      .notNull()
      .default({}),
    passwordHash: text('password_hash').notNull(),
    pinHash: text('pin_hash'),
    /** The second factor's secret, locked with the house's key; and the last step that was used. */
    totpSecret: text('totp_secret'),
    totpStep: integer('totp_step').notNull().default(0),
    /** Hashes of the recovery codes that are not used yet. */
    recoveryHashes: jsonb('recovery_hashes').$type<string[]>().notNull().default([]),
    active: boolean('active').notNull().default(true),
    demo: boolean('demo').notNull().default(false),
  },
  (table) => [
    uniqueIndex('staff_email').on(sql`lower(${table.email})`),
    check('staff_role', sql`${table.role} in ('owner','therapist','trainee','receptionist')`),
  ],
)

/** One-time links by which somebody of the house chooses a password; only their hash is kept. */
export const staffLinks = pgTable(
  'staff_links',
  {
    id: uuid('id').primaryKey(),
    staffId: uuid('staff_id')
      .notNull()
      .references(() => staff.id),
    tokenHash: text('token_hash').notNull().unique(),
    expiresAt: at('expires_at').notNull(),
    usedAt: at('used_at'),
    by: uuid('by')
      .notNull()
      .references(() => staff.id),
  },
  (table) => [index('staff_links_staff').on(table.staffId)],
)

export const clients = pgTable(
  'clients',
  {
    id: uuid('id').primaryKey(),
    name: text('name').notNull(),
    born: date('born', { mode: 'string' }),
    phone: text('phone'),
    email: text('email'),
    work: text('work'),
    /** Medicines and remarks, in the client's words. */
    medicines: text('medicines').notNull().default(''),
    notes: text('notes').notNull().default(''),
    preferences: jsonb('preferences').$type<Preferences>().notNull().default({}),
    /** How this client wants to be written to, if at all. */
    messages: text('messages', { enum: ['none', 'mail', 'text'] })
      .notNull()
      .default('none'),
    /** The house's own words for a client: "regular", "gift card". */
    tags: jsonb('tags').$type<string[]>().notNull().default([]),
    faceHeightMm: integer('face_height_mm').notNull().default(190),
    faceWidthMm: integer('face_width_mm').notNull().default(140),
    createdBy: uuid('created_by')
      .notNull()
      .references(() => staff.id),
    createdAt: at('created_at').notNull().defaultNow(),
    /** Raised at each edit: an edit that has seen an older one is refused, not silently lost. */
    version: integer('version').notNull().default(1),
    /** The file that brought this client in, if one did: it can be taken back whole. */
    importId: uuid('import_id'),
    erasedAt: at('erased_at'),
  },
  (table) => [
    index('clients_import').on(table.importId),
    index('clients_name').on(sql`lower(${table.name})`, table.id),
    index('clients_here')
      .on(table.id)
      .where(sql`${table.erasedAt} is null`),
    // A house has few clients with a tag among its thousands: the list of all tags reads those alone.
    index('clients_tagged')
      .on(table.id)
      .where(sql`${table.tags} <> '[]' and ${table.erasedAt} is null`),
    index('clients_tags')
      .using('gin', table.tags)
      .where(sql`${table.tags} <> '[]'`),
    index('clients_name_parts').using('gin', sql`${table.name} gin_trgm_ops`),
    index('clients_work_parts').using('gin', sql`${table.work} gin_trgm_ops`),
    check('clients_tags_list', sql`jsonb_typeof(${table.tags}) = 'array'`),
    check('clients_messages', sql`${table.messages} in ('none','mail','text')`),
    check('clients_name_there', sql`length(${table.name}) between 1 and 120`),
    check(
      'clients_face',
      sql`${table.faceHeightMm} between 100 and 300 and ${table.faceWidthMm} between 80 and 250`,
    ),
  ],
)

/** Who looked at, printed or took out what; insert only. */
export const audit = pgTable(
  'audit',
  {
    id: integer('id').primaryKey().generatedAlwaysAsIdentity(),
    at: at('at').notNull().defaultNow(),
    staffId: uuid('staff_id'),
    action: text('action').notNull(),
    clientId: uuid('client_id'),
    visitId: uuid('visit_id'),
    allowed: boolean('allowed').notNull(),
  },
  (table) => [
    index('audit_client').on(table.clientId, table.at),
    index('audit_staff').on(table.staffId, table.action, table.at),
    index('audit_at').on(table.at, table.id),
    index('audit_action').on(table.action, table.at, table.id),
    index('audit_refused')
      .on(table.at, table.id)
      .where(sql`not ${table.allowed}`),
  ],
)
