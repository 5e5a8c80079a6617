import type { z } from 'zod'
import { ProblemError } from '../problem/problem'

/** Set by the tests: what a route gives is held against what it says it gives. */
const HELD = process.env.OAK_PARSE_REPLIES === 'yes'

/**
 * A reply as it goes over the wire, held against its contract where replies are held; as it is
 * everywhere else, since nobody is helped by a page that is refused for a word too many.
 * @throws ProblemError 500 when it is not as agreed: it names the places, never what stands there
 */
export function asAgreed(schema: z.ZodType, reply: unknown, route: string): void {
  if (!HELD || schema.meta()?.contentMediaType !== undefined) return
  const parsed = schema.safeParse(JSON.parse(JSON.stringify(reply)))
  if (parsed.success) return
  const places = parsed.error.issues.map(({ path, message }) => ({
    field: path.join('.'),
    given: 'another shape',
    allowed: message,
  }))
  throw new ProblemError(500, 'Not as agreed', `${route} gives what it does not say.`, places)
}
