import { randomUUID } from 'node:crypto'
import { and, eq, inArray, isNull, lt, ne, sql } from 'drizzle-orm'
import { getCookie, useSession, type H3Event } from 'h3'
import { oncePer } from '#core/once'
import type { Me } from '#core/visit/bundle'
import { practice, sessions, staff } from '#db/schema'
import { ProblemError } from '../../problem/problem'
import { branchHere, FIRST_BRANCH, inBranch } from '../branch'
import { database, type Database, type Transaction } from '../database'

export type Staff = typeof staff.$inferSelect
/** The cookie names the row and nothing else: what ends or locks a session is done in the row. */
interface Sealed {
  id?: string
  /** The practice it is of, where that is not the first. */
  branch?: string
}

const SECOND_MS = 1000
/** How long a sign of life is not written down again. */
const SEEN_AGAIN_MS = 60_000
const IDLE_MS = 2 * 3_600_000
const ABSOLUTE_MS = 12 * 3_600_000
/** How long an ended session is kept in the table. */
const KEPT_MS = 30 * 24 * 3_600_000

const COOKIE = '__Host-oak'
const sealed = (event: H3Event) =>
  useSession<Sealed>(event, {
    name: COOKIE,
    password: useRuntimeConfig().sessionPassword,
    maxAge: ABSOLUTE_MS / SECOND_MS,
    cookie: { httpOnly: true, secure: true, sameSite: 'strict', path: '/' },
    sessionHeader: false,
  })
const signedOut = (detail: string) => new ProblemError(401, 'Sign in', detail)

/** Cookies that were opened before, each with what it names: whether that holds is asked each time. */
const openedBefore = new Map<string, Sealed>()
const COOKIES_LIMIT = 5000
async function named(event: H3Event): Promise<Sealed> {
  const cookie = getCookie(event, COOKIE) ?? ''
  const known = openedBefore.get(cookie)
  if (known !== undefined) return known
  const { id, branch } = (await sealed(event)).data
  if (id === undefined) return {}
  if (openedBefore.size >= COOKIES_LIMIT) openedBefore.clear()
  const own = { id, ...(branch === undefined ? {} : { branch }) }
  openedBefore.set(cookie, own)
  return own
}
/** The practice that a request is for, by its session; the first one where it has none. */
export async function branchOf(event: H3Event): Promise<string> {
  if (getCookie(event, COOKIE) === undefined) return FIRST_BRANCH
  return (await named(event)).branch ?? FIRST_BRANCH
}

/** A session as it stands in the table, with whom it is of. */
interface Standing {
  me: Staff
  session: typeof sessions.$inferSelect
  /** Whether this house asks a second factor of its owners. */
  ownersSecondFactor: boolean
}

/**
 * Whoever is signed in, looked up anew on every request and before every word of a stream, so that
 * signing out, a lock or a closed account count at once.
 * @throws ProblemError 401 when nobody is, 423 when the tablet is locked
 */
export async function currentStaff(event: H3Event, evenLocked = false): Promise<Staff> {
  const standing = await lookUp(event, evenLocked)
  const { me, session } = standing
  event.context.standing = standing
  const now = Date.now()
  if (now - session.seenAt.getTime() > SEEN_AGAIN_MS)
    await database()
      .update(sessions)
      .set({ seenAt: new Date(now) })
      .where(and(eq(sessions.id, session.id), isNull(sessions.endedAt)))
  return me
}

/** Asked on every request: put together once. */
const standingOf = oncePer((db: Database) =>
  db
    .select({ me: staff, session: sessions, ownersSecondFactor: practice.ownersSecondFactor })
    .from(sessions)
    .innerJoin(staff, eq(staff.id, sessions.staffId))
    .crossJoin(practice)
    .where(and(eq(sessions.id, sql.placeholder('id')), isNull(sessions.endedAt)))
    .prepare('session'),
)

async function lookUp(event: H3Event, evenLocked: boolean): Promise<Standing> {
  const { id } = await named(event)
  if (!id) throw signedOut('Sign in to go on. What you typed is kept on this device.')
  const [found] = await standingOf(database()).execute({ id })
  if (!found || isOver(found))
    throw signedOut('The session has ended. Sign in again; what you typed is kept on this device.')
  if (found.session.locked && !evenLocked)
    throw new ProblemError(423, 'Locked', 'Unlock with your quick code.')
  return found
}

/** Whether its account was closed, or it has lasted too long, in all or without a sign of life. */
const isOver = ({ me, session }: Pick<Standing, 'me' | 'session'>): boolean =>
  !me.active ||
  Date.now() - session.startedAt.getTime() > ABSOLUTE_MS ||
  Date.now() - session.seenAt.getTime() > IDLE_MS

/** Which of these sessions stand and are not locked, each with whom it is of. */
export async function standingAmong(ids: readonly string[]): Promise<Map<string, Staff>> {
  const found = await database()
    .select({ me: staff, session: sessions })
    .from(sessions)
    .innerJoin(staff, eq(staff.id, sessions.staffId))
    .where(and(inArray(sessions.id, [...ids]), isNull(sessions.endedAt)))
  return new Map(
    found
      .filter((own) => !isOver(own) && !own.session.locked)
      .map(({ me, session }) => [session.id, me]),
  )
}

/** Whoever is signed in, as the page knows them. */
export const meOf = (
  { id, name, role, pinHash, licences, licenceUntil, totpSecret, totpStep }: Staff,
  locked: boolean,
  house: { name: string; lockMinutes: number; ownersSecondFactor: boolean },
  several: boolean,
): Me => {
  const hasFactor = totpSecret !== null && totpStep >= 0
  const needsFactor = role === 'owner' && house.ownersSecondFactor && !hasFactor
  const { lockMinutes } = house
  const hasCode = pinHash !== null
  return {
    id,
    name,
    role,
    practice: several ? house.name : null,
    locked,
    hasCode,
    hasFactor,
    needsFactor,
    lockMinutes,
    licences,
    licenceUntil,
  }
}

/** The session that asks, as it was when this request came in: it is read once a request. */
const asItCame = async (event: H3Event): Promise<Standing['session']> => {
  const came = event.context.standing as Standing | undefined
  return (came ?? (await lookUp(event, true))).session
}
/** Whether the house of whoever asks wants a second factor of its owners. */
export const asksOwners = (event: H3Event): boolean =>
  (event.context.standing as Standing | undefined)?.ownersSecondFactor === true
export const sessionId = async (event: H3Event): Promise<string> => (await asItCame(event)).id
export const isLocked = async (event: H3Event): Promise<boolean> => (await asItCame(event)).locked

/** A session of their own for somebody who has shown who they are; one that stood here ends. */
export async function openSession(event: H3Event, staffId: string): Promise<void> {
  const cookie = await sealed(event)
  await endOne(cookie.data)
  await cookie.clear()
  const id = randomUUID()
  await database()
    .delete(sessions)
    .where(lt(sessions.startedAt, new Date(Date.now() - KEPT_MS)))
  await database().insert(sessions).values({ id, staffId })
  const branch = branchHere()
  await cookie.update(branch === FIRST_BRANCH ? { id } : { id, branch })
}

async function endOne({ id, branch = FIRST_BRANCH }: Sealed): Promise<void> {
  if (id === undefined) return
  await inBranch(branch, () =>
    database()
      .update(sessions)
      .set({ endedAt: new Date() })
      .where(and(eq(sessions.id, id), isNull(sessions.endedAt))),
  )
}

export async function signOut(event: H3Event): Promise<void> {
  const cookie = await sealed(event)
  await endOne(cookie.data)
  await cookie.clear()
}

/** Locks or unlocks this session in the table, where no reply under way can undo it. */
export async function setLock(event: H3Event, locked: boolean): Promise<void> {
  const { session } = await lookUp(event, true)
  await database()
    .update(sessions)
    .set({ locked, seenAt: new Date() })
    .where(and(eq(sessions.id, session.id), isNull(sessions.endedAt)))
}

/** Ends every session of a person, or all but one. */
export async function endSessions(
  staffId: string,
  { but, on = database() }: { but?: string; on?: Pick<Transaction, 'update'> } = {},
): Promise<void> {
  await on
    .update(sessions)
    .set({ endedAt: new Date() })
    .where(
      and(
        eq(sessions.staffId, staffId),
        isNull(sessions.endedAt),
        ...(but === undefined ? [] : [ne(sessions.id, but)]),
      ),
    )
}

/** The session that asks. */
export const thisSession = async (event: H3Event): Promise<string> => (await asItCame(event)).id
