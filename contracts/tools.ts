import { z } from 'zod'
import { TOOL_IDS } from '#core/catalogue/techniques/tools'
import { CLEANING_STEPS } from '#core/hygiene/tools'
import { id, moment, said } from './common'

const tool = z.enum(TOOL_IDS)
const pieces = z.int('whole pieces').min(1, '1 to 100').max(100, '1 to 100')
/** What was done to some pieces of a tool; now, unless it is entered afterwards. */
export const cleaningPost = z.strictObject({
  id,
  tool,
  step: z.enum(CLEANING_STEPS),
  pieces,
  at: moment.optional(),
})
export const toolPut = z.strictObject({
  tool,
  pieces: z.int('whole pieces').min(0, '0 to 100').max(100, '0 to 100'),
  /** Minutes that the house's own disinfectant must stay wet, as its label says. */
  contactMinutes: z.int('whole minutes').min(1, '1 to 120').max(120, '1 to 120'),
  /** Visits after which its worn part is changed, as its maker says; left out, as is usual. */
  changeAfter: z
    .int('whole visits')
    .min(1, '1 to 1,000')
    .max(1000, '1 to 1,000')
    .nullable()
    .default(null),
})
/** One thing of the tray laid out, or taken away again. */
export const laidPut = z.strictObject({ key: said(120), laid: z.boolean() })
