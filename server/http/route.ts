import {
  defineEventHandler,
  getQuery,
  getRouterParam,
  setResponseHeader,
  type EventHandler,
  type H3Event,
} from 'h3'
import type { z } from 'zod'
import { codeOf, databaseAway, fromDatabase } from '../problem/fromDatabase'
import { forbidden, fromZod, notFound, ProblemError, sendProblem } from '../problem/problem'
import type { AuditAction } from '#contracts/auditActions'
import { ok } from '#contracts/replies/common'
import { treats } from '#core/visit/roles'
import { writeAudit } from '../services/access'
import { onlyReading } from '../services/askedOnce'
import { branchHere, inBranch } from '../services/branch'
import { inBranchOfLink } from '../services/branches'
import { audited, type Subject } from '../services/auditing'
import { log } from '../services/log'
import { lacksFactor } from '../services/session/secondFactor'
import { asksOwners, branchOf, currentStaff, type Staff } from '../services/session/session'
import { readBody, refuseUnwritable } from './body'
import { asAgreed } from './reply'

type Schema = z.ZodType | undefined
export interface Spec<Body extends Schema, Query extends Schema, Reply extends z.ZodType> {
  /**
   * `anyone` needs no sign-in; `locked` also answers to a locked tablet; `bare` also to an owner who
   * still has to set up the second factor their house asks for.
   */
  who?: 'staff' | 'bare' | 'locked' | 'anyone'
  /** Answers the reception desk as well; what does not say so is of somebody's health. */
  desk?: true
  /**
   * What is written down of it in the audit, after the deed, and where it was refused; by what was
   * asked for, where one route does several things.
   */
  does?: AuditAction | ((body: Parsed<Body>) => AuditAction)
  /**
   * How the token it is opened with is kept, where a link and no session says whose it is: it works
   * for the practice that made the link.
   */
  link?: (token: string) => string
  /** Why a route that writes leaves no line of its own. */
  quiet?: string
  body?: Body
  /** Bytes at most. */
  bodyLimit?: number
  query?: Query
  /** What it gives, whole: nothing is sent that does not stand here. */
  reply: Reply
}
type Parsed<Given extends Schema> = Given extends z.ZodType ? z.infer<Given> : undefined
/** What a handler hands over: nothing where all there is to say is that it is done. */
type Given<Reply extends z.ZodType> = Reply extends typeof ok
  ? Promise<void>
  : z.output<Reply> | Promise<z.output<Reply>>
interface Context<Body extends Schema, Query extends Schema> {
  event: H3Event
  me: Staff
  body: Parsed<Body>
  query: Parsed<Query>
  id: string
}

const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/
const BODY_LIMIT = 400_000

/**
 * A thin route: who may come in, what query and body must look like, one call, one reply as it says;
 * every refusal in the same shape. What it says of itself stands beside it, for the page of routes.
 */
export function route<
  Reply extends z.ZodType,
  Body extends Schema = undefined,
  Query extends Schema = undefined,
>(
  spec: Spec<Body, Query, Reply>,
  handler: (context: Context<Body, Query>) => Given<Reply>,
): EventHandler & { spec: Spec<Body, Query, Reply> } {
  const answer = defineEventHandler(async (event) => {
    setResponseHeader(event, 'cache-control', 'no-store')
    try {
      return await inBranch(await branchOf(event), () => answered(event))
    } catch (error) {
      return sendProblem(event, toProblem(event, error))
    }
  })
  async function answered(event: H3Event) {
    const me = await whoCame(event, spec)
    const id = getRouterParam(event, 'id') ?? ''
    if (id !== '' && !UUID.test(id)) throw notFound()
    const query = spec.query ? readQuery(event, spec.query) : undefined
    const body = spec.body
      ? await readBody(event, spec.body, spec.bodyLimit ?? BODY_LIMIT)
      : undefined
    const work = async () =>
      handler({ event, me: me as Staff, body: body as never, query: query as never, id })
    const does = typeof spec.does === 'function' ? spec.does(body as never) : spec.does
    const whole = () => inTime(does === undefined ? work() : withLine(me, does, work))
    const ofLink = spec.link?.((body as { token: string }).token)
    const there = () => (ofLink === undefined ? whole() : inBranchOfLink(ofLink, whole))
    const given = await (event.method === 'GET' ? onlyReading(there) : there())
    const reply = Object.is(spec.reply, ok) ? { ok: true } : given
    asAgreed(spec.reply, reply, event.context.matchedRoute?.path ?? 'unknown')
    return reply
  }
  return Object.assign(answer, { spec })
}

/** Who is signed in, where the route asks for somebody. @throws ProblemError 401, 403 */
async function whoCame(
  event: H3Event,
  { who = 'staff', desk }: Pick<Spec<Schema, Schema, z.ZodType>, 'who' | 'desk'>,
): Promise<Staff | undefined> {
  if (who === 'anyone') return undefined
  const me = await inTime(currentStaff(event, who === 'locked'))
  if (who === 'staff' && lacksFactor(me, asksOwners(event)))
    throw forbidden('Owners need a second factor here: set it up under You.')
  if (who === 'staff' && !desk && !treats(me.role))
    throw forbidden('The desk books visits. Ask a therapist for this.')
  return me
}

/** A database that hangs answers nobody: whoever waits is told, and asks again. */
const PATIENCE_MS = 25_000
async function inTime<Result>(work: Promise<Result>): Promise<Result> {
  let timer: ReturnType<typeof setTimeout> | undefined
  const late = new Promise<never>((_, reject) => {
    timer = setTimeout(() => {
      reject(databaseAway())
    }, PATIENCE_MS)
  })
  try {
    return await Promise.race([work, late])
  } finally {
    clearTimeout(timer)
  }
}

/** A deed and its line: done where it was, refused where it was refused. */
async function withLine(
  me: Staff | undefined,
  action: AuditAction,
  work: () => Promise<unknown>,
): Promise<unknown> {
  const subject: Subject = { clientId: null, visitId: null }
  const line = async (allowed: boolean) => {
    const who = subject.staff ?? me
    if (!who) return
    await inBranch(subject.branch ?? branchHere(), () =>
      writeAudit(who, action, allowed, subject.clientId, subject.visitId),
    )
  }
  try {
    const reply = await audited(subject, work)
    await line(true)
    return reply
  } catch (error) {
    if (error instanceof ProblemError) await line(false)
    throw error
  }
}

function readQuery(event: H3Event, schema: z.ZodType): unknown {
  const input = getQuery(event)
  refuseUnwritable(input)
  const parsed = schema.safeParse(input)
  if (!parsed.success) throw fromZod(parsed.error, input)
  return parsed.data
}

function toProblem(event: H3Event, error: unknown): ProblemError {
  if (error instanceof ProblemError) return error
  const known = fromDatabase(error)
  if (known) return known
  // Messages of the database hold what a client told: only code, route and kind are written down.
  log.error(
    {
      route: event.context.matchedRoute?.path ?? 'unknown',
      method: event.method,
      kind: error instanceof Error ? error.name : 'unknown',
      code: codeOf(error),
    },
    'unexpected',
  )
  return new ProblemError(
    500,
    'Server error',
    'Nothing was changed. Try again; if it stays so, tell whoever looks after this computer.',
  )
}
