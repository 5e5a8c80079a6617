import { z } from 'zod'
import { OPENED_KINDS } from '#core/catalogue/rules/opened'
import { id, line, said } from './common'

const MOST_HOURS = 10_000
/** Something that is good for a time only, from now on. */
export const openedPost = z.strictObject({
  id,
  what: z.enum(OPENED_KINDS),
  /** What it is called; left out, by its kind. */
  name: line(80).default(''),
  productId: said(80).nullable().default(null),
  /** Whose it is: a half and a mix are one person's. */
  clientId: id.nullable().default(null),
  /** The visit at which it was opened. */
  visitId: id.nullable().default(null),
  /** Hours that it is good for, as its label says, where that counts. */
  hours: z
    .number('hours')
    .positive('more than nothing')
    .max(MOST_HOURS, 'at most 10,000')
    .nullable()
    .default(null),
})
/** Used up, thrown out, or it went home with the client. */
export const OPENED_ENDS = ['used', 'thrown', 'home'] as const
export const openedPut = z.strictObject({ id, how: z.enum(OPENED_ENDS) })
