import * as zod from 'zod/mini'

/**
 * Problem details (RFC 9457) with the fields that were wrong. The small build of the library: the
 * first page carries it.
 */
export const problem = zod.object({
  type: zod.string(),
  title: zod.string(),
  status: zod.number(),
  detail: zod.string(),
  fields: zod._default(
    zod.array(zod.object({ field: zod.string(), given: zod.string(), allowed: zod.string() })),
    [],
  ),
})
export type Problem = zod.infer<typeof problem>
