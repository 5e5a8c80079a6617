import { z } from 'zod'
import type { Readings } from '#core/skin/readings'
import { readings } from '#core/skin/readingShapes'
import { at, isoDay, maybe, text } from './common'

const read: z.ZodType<Readings> = readings
const line = z.strictObject({
  name: text,
  zones: text,
  plannedMinutes: z.number().nullable(),
  actualMinutes: z.number().nullable(),
  /** Each product; its amount and the code of its bottle in words. */
  products: z.array(z.strictObject({ name: text, amount: text })),
  /** What went otherwise than planned, in words. */
  deviation: maybe,
})
/** What a file says of one sealed visit, as far as this house has words for it. */
const visitRead = z.strictObject({
  id: text,
  at: at.nullable(),
  minutes: z.number().nullable(),
  house: text,
  therapist: text,
  room: text,
  seal: z.strictObject({
    holds: z.boolean(),
    /** What does not fit the seal, in words. */
    why: text,
    /** One of our own records, word for word. */
    ours: z.boolean(),
  }),
  plannedMinutes: z.number().nullable(),
  actualMinutes: z.number().nullable(),
  stopped: maybe,
  lines: z.array(line),
  reactions: z.array(text),
  contraActions: z.array(text),
  sentHome: z.array(z.strictObject({ sentence: text, why: text, until: text })),
  medicines: text,
  /** What was said yes to, and what nobody was sure of. */
  answers: z.array(text),
  readings: z.strictObject({ madeUp: read.nullable(), bare: read.nullable() }),
  notes: text,
  amendments: z.array(
    z.strictObject({ at: at.nullable(), by: text, before: text, after: text, reason: text }),
  ),
  /** Parts that are sealed here, wiped, or written in a way this house does not know. */
  unread: z.array(text),
})
export type VisitRead = z.infer<typeof visitRead>

/** A file of another house, or of this one: one visit, or a whole client with all of theirs. */
export const fileRead = z.strictObject({
  kind: z.enum(['visit', 'client']),
  client: z.strictObject({ name: text, born: isoDay.nullable() }),
  /** The latest first. */
  visits: z.array(visitRead),
})
export type FileRead = z.infer<typeof fileRead>

/** Everything that came into a client's file from elsewhere. */
export const filesRead = z.strictObject({
  client: text,
  timeZone: text,
  files: z.array(fileRead),
})
export type FilesRead = z.infer<typeof filesRead>

/** A file that is only read. */
export const handedIn = z.strictObject({ timeZone: text, file: fileRead })
export type HandedIn = z.infer<typeof handedIn>
