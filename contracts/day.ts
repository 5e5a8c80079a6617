import { z } from 'zod'
import { day } from './common'

/** Which day of the house; left out, today. */
export const dayQuery = z.object({ date: day.optional() })
/** Any day of the week that is asked for. */
export const weekQuery = z.strictObject({ date: day })
