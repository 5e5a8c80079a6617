import { sql } from 'drizzle-orm'
import {
  check,
  date,
  index,
  integer,
  jsonb,
  pgTable,
  text,
  timestamp,
  uuid,
} from 'drizzle-orm/pg-core'
import type { SignAnswers } from '#core/aftercare/grading'
import type { OutcomeId } from '#core/catalogue/rules/grading'
import type { RegionId } from '#core/face/zones'
import { bytes } from './bytes'
import { clients, staff } from './people'
import { products } from './shelf'
import { visits } from './visits'

const at = (name: string) => timestamp(name, { withTimezone: true, mode: 'date' })
const visitId = () =>
  uuid('visit_id')
    .notNull()
    .references(() => visits.id)

/** How the skin is some days after a visit: asked, answered by the client or told by telephone. */
export const checkIns = pgTable(
  'check_ins',
  {
    id: uuid('id').primaryKey(),
    visitId: visitId(),
    dueOn: date('due_on', { mode: 'string' }).notNull(),
    answers: jsonb('answers').$type<SignAnswers>(),
    outcome: text('outcome').$type<OutcomeId>(),
    answeredAt: at('answered_at'),
    /** Whoever of the house took the answer by telephone; null where the client gave it. */
    toldTo: uuid('told_to').references(() => staff.id),
    /** A picture the client sent along: a JPEG, drawn anew by the house; erasing drops it. */
    jpeg: bytes('jpeg'),
    /** What the house did about it. */
    doneAt: at('done_at'),
    doneBy: uuid('done_by').references(() => staff.id),
    note: text('note'),
    suspected: text('suspected').references(() => products.id),
    at: at('at').notNull().defaultNow(),
  },
  (table) => [
    index('check_ins_visit').on(table.visitId),
    index('check_ins_open')
      .on(table.dueOn)
      .where(sql`${table.doneAt} is null`),
    check('check_ins_answer', sql`(${table.answeredAt} is null) = (${table.outcome} is null)`),
    check('check_ins_done', sql`${table.doneAt} is null or ${table.doneBy} is not null`),
  ],
)

/** One-time links that go home with a client: to their card, or to the question of a day. */
export const homeLinks = pgTable(
  'home_links',
  {
    id: uuid('id').primaryKey(),
    visitId: visitId(),
    /** The question it opens; null opens the card. */
    checkInId: uuid('check_in_id').references(() => checkIns.id),
    tokenHash: text('token_hash').notNull().unique(),
    expiresAt: at('expires_at').notNull(),
    at: at('at').notNull().defaultNow(),
  },
  (table) => [index('home_links_visit').on(table.visitId)],
)

/** What waits to be sent, was sent, or could not be. The words are gone once it was sent. */
export const messages = pgTable(
  'messages',
  {
    id: uuid('id').primaryKey(),
    visitId: visitId(),
    clientId: uuid('client_id')
      .notNull()
      .references(() => clients.id),
    /** The question it carries; null carries the card. */
    checkInId: uuid('check_in_id')
      .references(() => checkIns.id)
      .unique(),
    channel: text('channel', { enum: ['mail', 'text'] }).notNull(),
    sentTo: text('sent_to').notNull(),
    words: text('words'),
    status: text('status', { enum: ['waiting', 'sent', 'failed', 'stopped'] })
      .notNull()
      .default('waiting'),
    tries: integer('tries').notNull().default(0),
    nextAt: at('next_at').notNull(),
    trouble: text('trouble'),
    endedAt: at('ended_at'),
    at: at('at').notNull().defaultNow(),
  },
  (table) => [
    index('messages_waiting')
      .on(table.nextAt)
      .where(sql`${table.status} = 'waiting'`),
    index('messages_client').on(table.clientId),
    check('messages_channel', sql`${table.channel} in ('mail','text')`),
    check('messages_status', sql`${table.status} in ('waiting','sent','failed','stopped')`),
  ],
)

/** A note for a doctor: what was seen, where and since when, without a diagnosis; and the answer. */
export const referrals = pgTable(
  'referrals',
  {
    id: uuid('id').primaryKey(),
    visitId: visitId(),
    regions: jsonb('regions').$type<RegionId[]>().notNull(),
    seen: text('seen').notNull(),
    since: text('since').notNull(),
    by: uuid('by')
      .notNull()
      .references(() => staff.id),
    at: at('at').notNull().defaultNow(),
    answer: text('answer'),
    answeredAt: at('answered_at'),
    answeredBy: uuid('answered_by').references(() => staff.id),
  },
  (table) => [
    index('referrals_visit').on(table.visitId),
    check('referrals_answer', sql`(${table.answeredAt} is null) = (${table.answer} is null)`),
  ],
)
