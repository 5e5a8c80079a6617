import { IncomingMessage } from 'node:http'
import { readRawBody, type H3Event } from 'h3'
import type { z } from 'zod'
import { unwritableAt } from '#contracts/writable'
import { fromZod, ProblemError } from '../problem/problem'

const tooLarge = (limit: number) =>
  new ProblemError(
    413,
    'Too large',
    `At most ${Math.round(limit / 1000)} kB are accepted. Nothing was saved.`,
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
  const raw = await readText(event, limit)
  const input = parseJson(raw)
  refuseUnwritable(input)
  const parsed = schema.safeParse(input)
  if (!parsed.success) throw fromZod(parsed.error, input)
  return parsed.data
}

/**
 * The text of a body, cut while it streams: what says no length, or another than it has, fills no
 * memory. The rest is not read, and the connection ends with the refusal.
 * @throws ProblemError 413 as soon as there is more than `limit`
 */
async function readText(event: H3Event, limit: number): Promise<string> {
  const { req, res } = event.node
  const cut = () => {
    res.setHeader('connection', 'close')
    res.once('finish', () => req.destroy())
    return tooLarge(limit)
  }
  if (Number(req.headers['content-length'] ?? 0) > limit) throw cut()
  // A request that this server makes to itself comes with its body read.
  if (!(req instanceof IncomingMessage)) return (await readRawBody(event, 'utf8')) ?? ''
  return new Promise((resolve, reject) => {
    const chunks: Buffer[] = []
    let size = 0
    const take = (chunk: Buffer) => {
      size += chunk.length
      if (size <= limit) return void chunks.push(chunk)
      req.off('data', take)
      req.pause()
      chunks.length = 0
      reject(cut())
    }
    req.on('data', take)
    req.once('end', () => {
      resolve(Buffer.concat(chunks).toString('utf8'))
    })
    req.once('error', reject)
  })
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
