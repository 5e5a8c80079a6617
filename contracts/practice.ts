import { z } from 'zod'
import { said } from './common'

/** From which seal on the chain is walked; 0 begins at the first. */
export const chainQuery = z.object({
  after: z.coerce.number().int('a whole number').min(0).max(2_000_000_000).default(0),
})

/** A line as it was printed: how far the chains went on a day, signed. */
export const headPost = z.strictObject({ line: said(600) })
