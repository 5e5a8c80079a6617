import { z } from 'zod'
import { MONTH_WEEKS } from '#core/units'
import { day } from './common'

/** Which day of the house; left out, today. */
export const dayQuery = z.object({ date: day.optional() })
/** Any day of the first week that is asked for, and how many from it on. */
export const weekQuery = z.strictObject({
  date: day,
  weeks: z.coerce.number().int().min(1).max(MONTH_WEEKS).default(1),
})
