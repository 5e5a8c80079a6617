import { z } from 'zod'
import { FAMILY_IDS, LICENCE_IDS } from '#core/catalogue/kinds'
import type { Limit } from '#core/catalogue/rules/limits'
import type { Tightening } from '#core/screening/verdict/houseRules'
import type { ScopeLine } from '#core/screening/verdict/scope'
import { at, by, count, id, isoDay, text } from './common'

/** Whether a line that was printed earlier still fits the chains, in words. */
export const headCheck = z.strictObject({ holds: z.boolean(), text })
export type HeadCheck = z.infer<typeof headCheck>
export const headLine = z.strictObject({ line: text })

/** A stretch of the chain of seals that was walked. */
export const chainStep = z.strictObject({
  /** How many seals there are in all. */
  total: count,
  /** The number of the last seal that stands, as far as was walked. */
  walked: count,
  /** The number of the first seal that does not stand. */
  broken: count.nullable(),
  /** With the last stretch: the number of the first amendment that does not stand. */
  brokenAmendment: count.nullable(),
  amendments: count,
  /** Parts in this stretch that were erased. */
  erasedParts: count,
  /** The chain's head after the last seal that stands. */
  head: text,
  /** Nothing more is to be walked. */
  done: z.boolean(),
})
export type ChainStep = z.infer<typeof chainStep>

const licences = z.array(z.enum(LICENCE_IDS))
export const scopeLine: z.ZodType<ScopeLine> = z.strictObject({
  licence: z.enum(LICENCE_IDS),
  counts: z.boolean(),
  until: isoDay.nullable(),
  text,
})
const limit: z.ZodType<Limit> = z.strictObject({
  steamMost: z.number().optional(),
  passesMost: z.number().optional(),
  tolerancePercent: z.number().optional(),
})
export const tightening: z.ZodType<Tightening> = z.strictObject({
  days: z.int().optional(),
  wholeFace: z.literal(true).optional(),
  families: z.array(z.enum(FAMILY_IDS)).optional(),
  limit: limit.optional(),
})

export const practicePage = z.strictObject({
  house: z.strictObject({
    name: text,
    address: text,
    phone: text,
    emergency: text,
    timeZone: text,
    retentionYears: count,
    cleaningMinutes: count,
    allows: licences,
  }),
  people: z.array(
    z.strictObject({
      id,
      name: text,
      email: text,
      role: text,
      licences,
      licenceUntil: by(LICENCE_IDS, isoDay),
      licenceNotes: by(LICENCE_IDS, text),
      scope: z.array(scopeLine),
      active: z.boolean(),
    }),
  ),
  rules: z.array(
    z.strictObject({
      id,
      rule: text,
      change: tightening,
      reason: text,
      by: text,
      at,
      ended: at.nullable(),
    }),
  ),
  /** When the house was backed up last; null where it never was. */
  lastBackup: at.nullable(),
})
export type PracticePage = z.infer<typeof practicePage>

/** The server runs; and it can write. */
export const aliveReply = z.strictObject({ alive: z.literal(true) })
export const readyReply = z.strictObject({ ready: z.literal(true) })
