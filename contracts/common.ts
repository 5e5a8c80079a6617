import { z } from 'zod'
import { CONCERN_IDS, LICENCE_IDS } from '#core/catalogue/kinds'
import { SCHOOL_IDS } from '#core/catalogue/schools/schools'

export { id, line, regions, said, zoneId } from '#core/shapes'
/** Years that a house can mean; what lies outside is a slip of the hand, and no database takes year 0. */
const YEARS = { first: 1900, last: 2199 }
const isMeant = (text: string) => {
  const year = new Date(text).getUTCFullYear()
  // What is no day at all is said by the form of it.
  return !(year < YEARS.first || year > YEARS.last)
}
const outside = `from ${YEARS.first} to ${YEARS.last}`
export const day = z.iso.date('a day as YYYY-MM-DD').refine(isMeant, outside)
export const moment = z.iso
  .datetime({ offset: true, message: 'a moment as YYYY-MM-DDThh:mm:ssZ' })
  .refine(isMeant, outside)
/** What an edit has seen; one more of it still fits into an integer of the database. */
export const version = z.int('a version as it was read').min(-1).max(2_147_483_646)
export const aims = z
  .array(z.enum(CONCERN_IDS))
  .max(5, 'at most five aims')
  .refine((aims) => new Set(aims).size === aims.length, 'each aim once')
export const school = z.enum(SCHOOL_IDS)
export const licences = z.array(z.enum(LICENCE_IDS))
