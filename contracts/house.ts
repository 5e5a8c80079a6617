import { z } from 'zod'
import { ROLES } from '#core/visit/roles'
import { privateWords } from '#core/aftercare/messages'
import { MESSAGE_LETTERS } from '#core/catalogue/rules/messages'
import { day, id, licences, line, said, school, version } from './common'
import { deviceKey } from './ownWays'

/** Characters a password has at least (NIST SP 800-63B asks for eight; a shared tablet for more). */
export const LEAST_PASSWORD = 12
const password = z
  .string()
  .min(LEAST_PASSWORD, `at least ${LEAST_PASSWORD} characters`)
  .max(200, 'at most 200 characters')
const email = z.email('an e-mail address').max(200, 'at most 200 characters')
/** Old and new names alike: lists of them hold one name a place, and not always the one in use. */
const isZone = (name: string): boolean => {
  if (name === 'UTC') return true
  if (!name.includes('/')) return false
  try {
    return new Intl.DateTimeFormat('en', { timeZone: name }).format() !== ''
  } catch {
    return false
  }
}
const timeZone = z.string().max(60).refine(isZone, 'a time zone like Europe/Helsinki')
const currencies = new Set(Intl.supportedValuesOf('currency'))
const currency = z.string().refine((code) => currencies.has(code), 'three letters, like EUR')
const token = z.string().regex(/^[A-Za-z0-9_-]{43}$/, 'not a link of this practice')

/** The house's own words of a message: it may be read over a shoulder. */
const message = line(MESSAGE_LETTERS)
  .refine((text) => privateWords(text).length === 0, 'no word of skin or health')
  .default('')

/** The first account and the name of the house: all that is needed to begin. */
export const setupPost = z.strictObject({
  key: z.string().max(100),
  name: said(120),
  email,
  password,
  house: said(120),
  timeZone,
  /** What the owner is trained and licensed for: nothing until it is told. */
  licences: licences.default([]),
})
export const practicePut = z.strictObject({
  version,
  name: said(120),
  address: line(200),
  phone: line(40),
  emergency: said(40),
  timeZone,
  school,
  cleaningMinutes: z.int('whole minutes').min(0, '0 to 60').max(60, '0 to 60'),
  retentionYears: z.int('whole years').min(1, '1 to 30').max(30, '1 to 30'),
  currency,
  lockMinutes: z.int('whole minutes').min(1, '1 to 120').max(120, '1 to 120').default(10),
  ownersSecondFactor: z.boolean().default(false),
  cardText: line(400).default(''),
  questionMessage: message,
  cardMessage: message,
})
export const roomPut = z.strictObject({ id, name: said(60), closed: z.boolean() })
export const devicePut = z.strictObject({
  id,
  kind: deviceKey,
  name: said(60),
  serial: line(60),
  serviceDue: day.nullable(),
  ready: z.boolean(),
  /** Rooms it stands in; none: it goes where it is wanted. */
  roomIds: z.array(id).max(50).default([]),
  /** All its heads, tips and electrodes; left out, they stay as they are. */
  parts: z
    .array(
      z.strictObject({
        id,
        name: said(60),
        pieces: z.int('whole pieces').min(0, '0 to 10,000').max(10_000, '0 to 10,000'),
        reorderPieces: z.int('whole pieces').min(1, '1 to 10,000').max(10_000).nullable(),
      }),
    )
    .max(30, 'at most 30 parts')
    .optional(),
})
const role = z.enum(ROLES)
/** Asked again of whoever takes in an owner, or changes address, role or who works here. */
const again = z.strictObject({
  password: z.string().min(1, 'must not be empty').max(200),
  code: z.string().max(40).optional(),
})
export const staffPost = z.strictObject({
  id,
  name: said(120),
  email,
  role,
  /** What this person is trained and licensed for: nothing until it is told. */
  licences: licences.default([]),
  again: again.optional(),
})
export const staffPatch = z.strictObject({
  name: said(120),
  email,
  role,
  active: z.boolean(),
  again: again.optional(),
})
export const joinOpen = z.strictObject({ token })
export const joinPost = z.strictObject({ token, password })
export const passwordPut = z.strictObject({ now: z.string().min(1).max(200), next: password })

export type HouseFields = z.infer<typeof practicePut>
