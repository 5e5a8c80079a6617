import { z } from 'zod'

/** Which page of a client's visits, from 1. */
export const fileVisitsQuery = z.object({
  page: z.coerce.number().int('a whole number').min(1, 'from 1').max(100_000).default(1),
})
