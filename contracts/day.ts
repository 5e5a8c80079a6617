import { z } from 'zod'
import { day } from './common'

/** Which day of the house; left out, today. */
export const dayQuery = z.object({ date: day.optional() })
/** Weeks that are shown at once: a month touches six at most. */
export const MOST_WEEKS = 6
/** Any day of the first week that is asked for, and how many from it on. */
export const weekQuery = z.strictObject({
  date: day,
  weeks: z.coerce.number().int().min(1).max(MOST_WEEKS).default(1),
})
