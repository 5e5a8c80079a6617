import { z } from 'zod'
import { COST_IDS } from '#core/catalogue/rules/costs'
import { id, said, version } from './common'

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
