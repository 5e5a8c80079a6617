import { z } from 'zod'
import { FINDING_IDS } from '#core/catalogue/consultation/findings'
import { FAMILY_IDS } from '#core/catalogue/kinds'
import type { Poured } from '#core/load/ledger'
import type { Answers } from '#core/screening/asking/answers'
import type { PastReaction } from '#core/screening/products/reactions'
import type { Earliest } from '#core/screening/verdict/earliest'
import { OUTCOME_IDS } from '#core/catalogue/rules/grading'
import { VISIT_STATUSES } from '#core/visit/status'
import { answers } from '../visit'
import { at, count, id, isoDay, loads, maybe, onRegions, paged, text } from './common'
import { callDue } from './day'

export const poured: z.ZodType<Poured> = z.strictObject({
  at,
  label: text,
  loads,
  planned: z.enum(FINDING_IDS).optional(),
})
export const pastReaction: z.ZodType<PastReaction> = z.strictObject({
  at,
  day: isoDay,
  productId: text,
  productName: text,
  inci: z.array(text),
  what: text,
})
const told: z.ZodType<Answers> = answers
const earliest: z.ZodType<Earliest> = z.strictObject({
  family: z.enum(FAMILY_IDS),
  name: text,
  day: isoDay,
  regions: onRegions,
  where: text,
  because: text,
})

/** One visit in a client's file. */
const fileVisit = z.strictObject({
  id,
  startsAt: at,
  minutes: count,
  status: z.enum(VISIT_STATUSES),
  staff: text,
  /** What was done, in a word or two, once its record is sealed. */
  work: maybe,
  /** How and why it fell away, if it did. */
  fellAway: z.enum(['calledOff', 'noShow']).nullable(),
  because: maybe,
})
export type FileVisit = z.infer<typeof fileVisit>
/** A page of a client's visits. */
export const fileVisits = z.strictObject({ visits: z.array(fileVisit), ...paged })
export type FileVisits = z.infer<typeof fileVisits>
/** A visit that was taken in from a file. */
const fileImport = z.strictObject({
  id,
  head: text,
  holds: z.boolean(),
  ours: z.boolean(),
  at,
  house: text,
  startsAt: text,
})
export type FileImport = z.infer<typeof fileImport>

/** What a client said after a visit, and what was done about it. */
const afterAnswer = z.strictObject({
  id,
  visitId: id,
  /** When the visit was. */
  visitAt: at,
  /** When the client answered. */
  at,
  outcome: z.enum(OUTCOME_IDS),
  said: z.array(text),
  note: maybe,
})
export type AfterAnswer = z.infer<typeof afterAnswer>

/** A client's file: who they are, what stands on top, past and next visits, the ledger. */
export const clientFile = z.strictObject({
  now: at,
  today: isoDay,
  timeZone: text,
  client: z.strictObject({
    id,
    name: text,
    born: isoDay.nullable(),
    age: count.nullable(),
    phone: maybe,
    email: maybe,
    work: maybe,
    medicines: text,
    notes: text,
    tags: z.array(text),
    faceHeightMm: count,
    faceWidthMm: count,
    messages: z.enum(['none', 'mail', 'text']),
    version: z.int(),
    erased: z.boolean(),
  }),
  answers: told.nullable(),
  /** Reactions that no patch test has cleared up. */
  reactions: z.array(pastReaction),
  toldAt: at.nullable(),
  /** Calls that are due or will be, until they are made. */
  calls: z.array(callDue),
  /** Kinds of work that wait, and until which day. */
  waits: z.array(earliest),
  /** The first page of them. */
  visits: fileVisits,
  next: z.strictObject({ id, startsAt: at, minutes: count, room: text, staff: text }).nullable(),
  poured: z.array(poured),
  imports: z.array(fileImport),
  /** How it went at home after earlier visits, the latest first. */
  afterwards: z.array(afterAnswer),
})
export type ClientFile = z.infer<typeof clientFile>

/** A client of the house who may be the same as a row: by name with birthday or phone. */
const double = z.strictObject({
  /** Which row, from 0. */
  row: count,
  id,
  name: text,
  why: z.enum(['birthday', 'phone', 'name alone']),
})
export type Double = z.infer<typeof double>
export const doubles = z.array(double)
/** What a file has brought in, to be taken back whole. */
const importLine = z.strictObject({ id, at, clients: count })
export type ImportLine = z.infer<typeof importLine>
export const importLines = z.array(importLine)
export const clientsTaken = z.strictObject({ clients: count })
/** What became of a visit's file: whether its seal holds, and what does not fit it, in words. */
export const takenIn = z.strictObject({ holds: z.boolean(), ours: z.boolean(), why: text })
export type TakenIn = z.infer<typeof takenIn>
