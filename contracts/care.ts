import { REACTED_RULE } from '#core/screening/products/reactions'
import { z } from 'zod'
import { CONSENT_IDS } from '#core/catalogue/consultation/consents'
import { CONTRAINDICATIONS } from '#core/catalogue/consultation/contraindications'
import { FAMILY_IDS } from '#core/catalogue/kinds'
import { PREFERENCES } from '#core/catalogue/consultation/preferences'
import { PATCH_PLACES } from '#core/screening/products/patch'
import { CONDITION_IDS } from '#core/catalogue/skin/conditions'
import { HALF_FEATURES, type HalfFeature } from '#core/skin/halves'
import { BURNS, TANS } from '#core/skin/indices'
import { OBSERVATION_IDS } from '#core/skin/observations'
import type { ZoneId } from '#core/face/zones'
import { SWEPT_ZONES } from '#core/skin/poreSweep'
import { grade } from '#core/skin/readingShapes'
import { day, id, licences, line, regions, said, zoneId } from './common'

export const consentKinds = z
  .array(z.enum(CONSENT_IDS))
  .min(1, 'at least one')
  .max(5)
  .refine((kinds) => new Set(kinds).size === kinds.length, 'each once')
export const withdrawalPost = z.strictObject({ id, kinds: consentKinds })

export const preferences = z.strictObject(
  Object.fromEntries(
    PREFERENCES.map((preference) => [
      preference.id,
      z.enum(preference.choices.map((choice) => choice.value) as [string, ...string[]]).optional(),
    ]),
  ),
)
export const preferencesPut = z.strictObject({ preferences })

const rule = z
  .string()
  .refine(
    (rule) => rule === REACTED_RULE || CONTRAINDICATIONS.some((row) => row.id === rule),
    'a row of the table',
  )
export const liftPost = z.strictObject({ id, rule, word: line(200), reason: said(300) })
export const patchTestPost = z.strictObject({
  id,
  productId: said(60),
  place: z.enum(PATCH_PLACES),
})
export const patchReadPost = z.strictObject({
  id,
  testId: id,
  result: z.enum(['clear', 'reaction']),
})

export const halves = z.partialRecord(
  z.enum(HALF_FEATURES) as unknown as z.ZodEnum<{ [K in HalfFeature]: K }>,
  z.strictObject({ L: grade, R: grade }),
)
export const halvesPost = z.strictObject({
  id,
  moment: z.enum(['before', 'after']),
  worked: z.enum(['L', 'R']),
  light: said(120),
  grades: halves,
})

/** Bytes of a request with a picture at most: the tablet makes it small before. */
export const PHOTOGRAPH_LIMIT = 600_000
/** What every JPEG begins with, in base64. */
const JPEG_START = '/9j/'
export const photographPost = z.strictObject({
  id,
  regions,
  jpeg: z.base64('a picture').startsWith(JPEG_START, 'a JPEG').max(PHOTOGRAPH_LIMIT),
  /** Nobody is photographed unasked. */
  agreed: z.literal(true, "the client's yes"),
})
export const photographQuery = z.strictObject({ photograph: id })

const sweep = { zone: z.enum(SWEPT_ZONES as [ZoneId, ...ZoneId[]]), grade }
export const wholeReading = z.strictObject({
  poreSweep: z.strictObject(sweep).optional(),
  sweepBaseline: z.strictObject({ ...sweep, day }).optional(),
  burns: z.enum(BURNS).optional(),
  tans: z.enum(TANS).optional(),
  photoageing: z.union([z.literal(1), z.literal(2), z.literal(3), z.literal(4)]).optional(),
  observed: z
    .array(z.strictObject({ zone: zoneId, id: z.enum(OBSERVATION_IDS) }))
    .max(200)
    .optional(),
  overruled: z
    .array(
      z.union([
        z.strictObject({
          line: z.literal('type'),
          say: z.enum(['dry', 'normal', 'combination', 'oily']),
          reason: said(300),
        }),
        z.strictObject({ line: z.enum(CONDITION_IDS), say: z.boolean(), reason: said(300) }),
      ]),
    )
    .max(12)
    .refine(
      (overrules) => new Set(overrules.map((overrule) => overrule.line)).size === overrules.length,
      'each line once',
    )
    .optional(),
})

const least = (from: number, to: number) =>
  z.int('a whole number').min(from, `at least ${from}`).max(to, `at most ${to}`)
export const houseRulePost = z.strictObject({
  id,
  rule,
  reason: said(300),
  change: z.strictObject({
    days: least(1, 730).optional(),
    wholeFace: z.literal(true).optional(),
    families: z.array(z.enum(FAMILY_IDS)).max(FAMILY_IDS.length).optional(),
    limit: z
      .strictObject({
        steamMost: least(0, 10).optional(),
        passesMost: least(0, 2).optional(),
        tolerancePercent: least(0, 100).optional(),
      })
      .optional(),
  }),
})
export const scopePut = z.strictObject({
  staffId: id.nullable(),
  licences,
  until: z.partialRecord(licences.element, day).default({}),
  /** Where the proof of each is kept. */
  notes: z.partialRecord(licences.element, line(200)).default({}),
})
