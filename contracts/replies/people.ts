import { z } from 'zod'
import { LICENCE_IDS } from '#core/catalogue/kinds'
import type { Me } from '#core/visit/bundle'
import { ROLES } from '#core/visit/roles'
import { at, by, id, isoDay, maybe, paged, text } from './common'

/** Shown once: each opens once in place of the second factor. */
export const recoveryCodes = z.strictObject({ recovery: z.array(text) })
export type RecoveryCodes = z.infer<typeof recoveryCodes>

const personLine = z.strictObject({
  id,
  name: text,
  work: maybe,
  born: isoDay.nullable(),
  phone: maybe,
  /** Somebody else on file has the same name. */
  alike: z.boolean(),
  /** The house's own words for them. */
  tags: z.array(text),
  /** Day of the last visit that was begun, in the house's time. */
  last: isoDay.nullable(),
  /** Day of the next visit that is booked. */
  next: isoDay.nullable(),
})
export type PersonLine = z.infer<typeof personLine>
/** A page of the clients; `total` counts those on the other pages too. */
export const peoplePage = z.strictObject({
  people: z.array(personLine),
  /** Every tag that is in use, by the alphabet. */
  tags: z.array(text),
  ...paged,
})
export type PeoplePage = z.infer<typeof peoplePage>

/** What tells a file from another. */
const fileLine = z.strictObject({
  id,
  name: text,
  born: isoDay.nullable(),
  phone: maybe,
  email: maybe,
  work: maybe,
})
export type FileLine = z.infer<typeof fileLine>
/** Files of the practice that may be of one person, two and two, by name. */
export const likelyPairs = z.strictObject({
  pairs: z.array(z.strictObject({ one: fileLine, other: fileLine })),
  /** There are more: they come up as these are joined. */
  more: z.boolean(),
})
export type LikelyPairs = z.infer<typeof likelyPairs>
/** Files that may be of the same person, and those that were joined into this one. */
export const filesOfOne = z.strictObject({
  likely: z.array(fileLine),
  joined: z.array(z.strictObject({ id, name: text, at, by: text })),
})
export type FilesOfOne = z.infer<typeof filesOfOne>

export const role = z.enum(ROLES)
export const meReply: z.ZodType<Me> = z.strictObject({
  id,
  name: text,
  role,
  practice: maybe,
  locked: z.boolean(),
  hasCode: z.boolean(),
  hasFactor: z.boolean(),
  needsFactor: z.boolean(),
  lockMinutes: z.int(),
  licences: z.array(z.enum(LICENCE_IDS)),
  licenceUntil: by(LICENCE_IDS, isoDay),
})
/** The key of what a tablet keeps for itself, while its owner is signed in. */
export const keyReply = z.strictObject({ staffId: id, key: text })
export const lockReply = z.strictObject({ locked: z.boolean() })
export const joinReply = z.strictObject({ signedIn: z.boolean() })
/** What a link says before it is used. */
export const joinOpened = z.strictObject({ practice: text, name: text, email: text })
export const factorBegun = z.strictObject({ uri: text })
export const setupReply = z.strictObject({ open: z.boolean(), ownerLinkAt: at.nullable() })
/** Whether a key opens a first hour that nobody has begun. */
export const firstHourOpened = z.strictObject({ open: z.boolean() })
/** Who works here, as every sign-in of the house may know. */
export const staffList = z.array(z.strictObject({ id, name: text, role }))
