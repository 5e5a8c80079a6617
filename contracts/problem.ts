import * as z from 'zod/mini'

/**
 * Problem details (RFC 9457) with the fields that were wrong. The small build of the library: the
 * first page carries it.
 */
export const problem = z.object({
  type: z.string(),
  title: z.string(),
  status: z.number(),
  detail: z.string(),
  fields: z._default(
    z.array(z.object({ field: z.string(), given: z.string(), allowed: z.string() })),
    [],
  ),
})
export type Problem = z.infer<typeof problem>
