import { z } from 'zod'
import { COST_IDS } from '#core/catalogue/rules/costs'
import { TOOL_IDS } from '#core/catalogue/techniques/tools'
import { CLEANING_STEPS } from '#core/hygiene/tools'
import { id, moment, said, version } from './common'

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
})
/** One thing of the tray laid out, or taken away again. */
export const laidPut = z.strictObject({ key: said(120), laid: z.boolean() })

const cents = z.int('whole cents').min(0, '0 to 100,000').max(10_000_000, '0 to 100,000')
export const costsPut = z.strictObject({
  version,
  cents: z.partialRecord(
    z.enum(COST_IDS as unknown as Record<string, (typeof COST_IDS)[number]>),
    cents,
  ),
})
export const pricePut = z.strictObject({ id, version, name: said(80), cents, retired: z.boolean() })
/** What a visit is billed as; nothing takes it back. */
export const visitPricePut = z.strictObject({ priceId: id.nullable() })
export const earnedQuery = z.strictObject({
  month: z.string().regex(/^\d{4}-(0[1-9]|1[0-2])$/, 'a month as YYYY-MM'),
})
