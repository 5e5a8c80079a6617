import {
  defineEventHandler,
  getRouterParam,
  readRawBody,
  setResponseHeader,
  type EventHandler,
  type H3Event,
} from 'h3'
import type { z } from 'zod'
import { log } from '../services/log'
import { currentStaff, type Staff } from '../services/session'
import { fromZod, notFound, ProblemError, sendProblem } from './problem'

interface Spec<B extends z.ZodType | undefined> {
  /** `anyone` needs no sign-in; `locked` also answers to a locked tablet. */
  who?: 'staff' | 'locked' | 'anyone'
  body?: B
  bodyLimit?: number
}
interface Context<B> {
  event: H3Event
  me: Staff
  body: B
  id: string
}

const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/
const BODY_LIMIT = 400_000

/**
 * A thin route: who may come in, what the body must look like, one call, one reply; every refusal
 * in the same shape.
 */
export function route<B extends z.ZodType | undefined = undefined>(
  spec: Spec<B>,
  handler: (c: Context<B extends z.ZodType ? z.infer<B> : undefined>) => unknown,
): EventHandler {
  return defineEventHandler(async (event) => {
    setResponseHeader(event, 'cache-control', 'no-store')
    try {
      const me =
        spec.who === 'anyone' ? undefined : await currentStaff(event, spec.who === 'locked')
      const id = getRouterParam(event, 'id') ?? ''
      if (id !== '' && !UUID.test(id)) throw notFound()
      const body = spec.body
        ? await parse(event, spec.body, spec.bodyLimit ?? BODY_LIMIT)
        : undefined
      return await handler({ event, me: me as Staff, body: body as never, id })
    } catch (error) {
      if (error instanceof ProblemError) return sendProblem(event, error)
      const known = fromDatabase(error)
      if (known) return sendProblem(event, known)
      log.error(
        {
          path: event.path.split('?')[0],
          method: event.method,
          name: error instanceof Error ? error.name : 'unknown',
          stack: error instanceof Error ? error.stack?.split('\n').slice(1, 6) : undefined,
        },
        'unexpected',
      )
      return sendProblem(
        event,
        new ProblemError(
          500,
          'It did not work',
          'Nothing was changed. Try again; if it stays so, tell whoever looks after this computer.',
        ),
      )
    }
  })
}

async function parse(event: H3Event, schema: z.ZodType, limit: number): Promise<unknown> {
  const length = Number(event.node.req.headers['content-length'] ?? 0)
  if (length > limit)
    throw new ProblemError(
      413,
      'Too large',
      `At most ${Math.round(limit / 1000)} kB are taken. Nothing was saved.`,
    )
  const raw = (await readRawBody(event, 'utf8')) ?? ''
  if (Buffer.byteLength(raw) > limit)
    throw new ProblemError(
      413,
      'Too large',
      `At most ${Math.round(limit / 1000)} kB are taken. Nothing was saved.`,
    )
  let input: unknown
  try {
    input = raw === '' ? {} : JSON.parse(raw)
  } catch {
    throw new ProblemError(400, 'Not accepted', 'This is not JSON. Nothing was saved.', [
      { field: 'body', given: 'text that is not JSON', allowed: 'JSON' },
    ])
  }
  const parsed = schema.safeParse(input)
  if (!parsed.success) throw fromZod(parsed.error, input)
  return parsed.data
}

/** What the database itself refused, said plainly. */
function fromDatabase(error: unknown): ProblemError | undefined {
  const cause = error instanceof Error && error.cause !== undefined ? error.cause : error
  if (typeof cause !== 'object' || cause === null || !('code' in cause)) return undefined
  const { code } = cause as { code: unknown }
  if (code === '23505')
    return new ProblemError(
      409,
      'Already there',
      'This has been saved before. Nothing was doubled.',
    )
  if (code === '23514')
    return new ProblemError(422, 'Cannot be done', 'What is sealed or frozen is not changed.')
  if (code === '23503')
    return new ProblemError(422, 'Cannot be done', 'It points at something that is not there.')
  if (code === 'P0001')
    return new ProblemError(
      422,
      'Cannot be done',
      `The law keeps this record: ${(cause as { message?: string }).message ?? ''}.`,
    )
  if (
    typeof code === 'string' &&
    (/^(57P|08)/.test(code) ||
      [
        'ECONNREFUSED',
        'CONNECTION_CLOSED',
        'CONNECTION_ENDED',
        'CONNECT_TIMEOUT',
        'CONNECTION_DESTROYED',
        'ECONNRESET',
      ].includes(code))
  )
    return new ProblemError(
      503,
      'The database is away',
      'Nothing was saved yet. What you tapped is kept on this device and sent again.',
    )
  return undefined
}
