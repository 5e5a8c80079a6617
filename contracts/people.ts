import { z } from 'zod'
import { day, id, line, said, version } from './common'

const email = z.union([z.literal(''), z.email('an e-mail address')])
const millimetres = (least: number, most: number) =>
  z.int('whole millimetres').min(least, `at least ${least} mm`).max(most, `at most ${most} mm`)
/** What is known of a client; a file that is taken in is held against the same. */
export const clientFields = {
  name: said(120),
  born: z.union([
    z.literal(''),
    day.refine(
      (day) => day >= '1900-01-01' && day <= new Date().toISOString().slice(0, 10),
      'a birthday from 1900 to today',
    ),
  ]),
  phone: line(40).refine(
    (phone) => phone === '' || /^[+0-9 ()/-]{4,40}$/.test(phone),
    'digits, spaces, + ( ) / -',
  ),
  email,
  work: line(120),
  medicines: line(2000),
  notes: line(4000),
  faceHeightMm: millimetres(100, 300),
  faceWidthMm: millimetres(80, 250),
}
/** How they want to be written to; left out, they are not, or it stays as it is. */
const messages = z.enum(['none', 'mail', 'text']).optional()
/** Tags that one client carries at most, and how long one is. */
const TAGS = { most: 12, length: 30 }
/** The house's own words for a client; left out, they stay as they are. */
const tags = z.array(said(TAGS.length)).max(TAGS.most, `at most ${TAGS.most} tags`).optional()
export const clientCreate = z.strictObject({ id, ...clientFields, messages, tags })
export const clientPatch = z.strictObject({
  version,
  ...clientFields,
  messages,
  tags,
})
/** Another file of the same person, to be joined into one; and what is parted again. */
export const joinPost = z.strictObject({ id, otherId: id })
export const partPost = z.strictObject({ joinId: id })
export type ClientFields = Omit<z.infer<typeof clientCreate>, 'id'>

export const signIn = z.strictObject({
  email: z.email('an e-mail address'),
  password: z.string().min(1, 'must not be empty').max(200),
  /** The second factor, where this person has one. */
  code: z.string().max(40).optional(),
  /** Where they are now, of the practices that this password opens. */
  branch: z.uuid().optional(),
})
/** With the quick code, or with the password where somebody has none. */
export const unlock = z.union([
  z.strictObject({ code: z.string().regex(/^\d{4,8}$/, 'four to eight digits') }),
  z.strictObject({ password: z.string().min(1, 'must not be empty').max(200) }),
])
export const factorCode = z.strictObject({
  code: z.string().regex(/^\d{3}\s?\d{3}$/, 'six digits'),
})
export const setCode = z.strictObject({
  code: z.string().regex(/^\d{4,8}$/, 'four to eight digits'),
  password: z.string().min(1).max(200),
})

/** The password once more, before what is not undone or carries everything away. */
export const passwordAgain = z.strictObject({
  password: z.string().min(1, 'must not be empty').max(200),
  /** The second factor, or a recovery code, where this person has one. */
  code: z.string().max(40).optional(),
})
export type Again = z.infer<typeof passwordAgain>

const PAGE_SIZE = 50
/** What the list of people can be put in order by. */
export const PEOPLE_ORDERS = ['name', 'work', 'last', 'next'] as const
export type PeopleOrder = (typeof PEOPLE_ORDERS)[number]
/** A page of the list of people: what is sought in name or work, and which page, from 1. */
export const peopleQuery = z.object({
  q: line(60).default(''),
  /** Only those who carry this tag. */
  tag: line(TAGS.length).default(''),
  order: z.enum(PEOPLE_ORDERS).default('name'),
  /** The last of the order first. */
  down: z.stringbool().default(false),
  page: z.coerce.number().int('a whole number').min(1, 'from 1').max(100_000).default(1),
  size: z.coerce.number().int('a whole number').min(1).max(100).default(PAGE_SIZE),
})
export type PeopleQuery = z.infer<typeof peopleQuery>
