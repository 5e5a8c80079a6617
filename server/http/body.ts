import { readRawBody, type H3Event } from 'h3'
import type { z } from 'zod'
import { unwritableAt } from '#contracts/writable'
import { fromZod, ProblemError } from '../problem/problem'

const tooLarge = (limit: number) =>
  new ProblemError(
    413,
    'Too large',
    `At most ${Math.round(limit / 1000)} kB are taken. Nothing was saved.`,
  )
const notAccepted = (detail: string, field: string, given: string, allowed: string) =>
  new ProblemError(400, 'Not accepted', `Nothing was saved: ${detail}.`, [
    { field, given, allowed },
  ])

/**
 * Reads a body, holds it against its contract.
 * @param limit bytes at most
 * @throws ProblemError 413 when it is too large, 400 with the field named when it is not as agreed
 */
export async function readBody(event: H3Event, schema: z.ZodType, limit: number): Promise<unknown> {
  if (Number(event.node.req.headers['content-length'] ?? 0) > limit) throw tooLarge(limit)
  const raw = (await readRawBody(event, 'utf8')) ?? ''
  if (Buffer.byteLength(raw) > limit) throw tooLarge(limit)
  const input = parseJson(raw)
  refuseUnwritable(input)
  const parsed = schema.safeParse(input)
  if (!parsed.success) throw fromZod(parsed.error, input)
  return parsed.data
}

function parseJson(raw: string): unknown {
  try {
    return raw === '' ? {} : JSON.parse(raw)
  } catch {
    throw notAccepted('this is not JSON', 'body', 'text that is not JSON', 'JSON')
  }
}

/**
 * Characters that PostgreSQL cannot keep are refused before anything is asked of it.
 * @throws ProblemError 400 with the field named
 */
export function refuseUnwritable(input: unknown): void {
  const found = unwritableAt(input)
  if (found)
    throw notAccepted(`${found.field}: ${found.allowed}`, found.field, found.given, found.allowed)
}
