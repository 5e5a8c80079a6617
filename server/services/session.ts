import { eq } from 'drizzle-orm'
import { useSession, type H3Event } from 'h3'
import { staff } from '#db/schema'
import { ProblemError } from '../problem/problem'
import { database } from './database'
import { hashSecret, secretMatches } from './passwords'
import { countTry, forgetTries, throttle, tryKey } from './throttle'

export type Staff = typeof staff.$inferSelect
interface Sealed {
  staffId?: string
  version?: number
  startedAt?: number
  seenAt?: number
  locked?: boolean
}

const SECOND_MS = 1000
/** How long a sign of life is not written down again. */
const SEEN_AGAIN_MS = 60_000
const IDLE_MS = 2 * 3_600_000
const ABSOLUTE_MS = 12 * 3_600_000
const TRIES = 8
/**
 * From one place more people sign in than one; many addresses tried from there are still too many.
 */
const TRIES_FROM = 60
const CODE_TRIES = 5

const sealed = (event: H3Event) =>
  useSession<Sealed>(event, {
    name: '__Host-oak',
    password: useRuntimeConfig().sessionPassword,
    maxAge: ABSOLUTE_MS / SECOND_MS,
    cookie: { httpOnly: true, secure: true, sameSite: 'strict', path: '/' },
    sessionHeader: false,
  })
const signedOut = (detail: string) => new ProblemError(401, 'Sign in', detail)

/**
 * Whoever is signed in, looked up anew on every request, so that a raised session version or a
 * closed account ends a session at once.
 * @throws ProblemError 401 when nobody is, 423 when the tablet is locked
 */
export async function currentStaff(event: H3Event, evenLocked = false): Promise<Staff> {
  const { me, session, seenAt } = await lookUp(event, evenLocked)
  const now = Date.now()
  if (now - seenAt > SEEN_AGAIN_MS) await session.update({ ...session.data, seenAt: now })
  return me
}

/**
 * The same for a reply that is already under way: its headers are sent, so nothing of the session
 * can be written any more.
 * @throws ProblemError 401 when nobody is signed in any more, 423 when the tablet is locked
 */
export const stillStaff = async (event: H3Event): Promise<Staff> =>
  (await lookUp(event, false, false)).me

async function lookUp(event: H3Event, evenLocked: boolean, mayWrite = true) {
  const session = await sealed(event)
  const { staffId, version, startedAt = 0, seenAt = 0, locked } = session.data
  if (!staffId) throw signedOut('Sign in to go on. What you typed is kept on this device.')
  const now = Date.now()
  if (now - startedAt > ABSOLUTE_MS || now - seenAt > IDLE_MS) {
    if (mayWrite) await session.clear()
    throw signedOut('The session has ended. Sign in again; what you typed is kept on this device.')
  }
  const [me] = await database().select().from(staff).where(eq(staff.id, staffId))
  if (!me || !me.active || me.sessionVersion !== version) {
    if (mayWrite) await session.clear()
    throw signedOut('The session has ended. Sign in again.')
  }
  if (locked === true && !evenLocked)
    throw new ProblemError(423, 'Locked', 'Unlock with your quick code.')
  return { me, session, seenAt }
}

export async function isLocked(event: H3Event): Promise<boolean> {
  return (await sealed(event)).data.locked === true
}

/** Signs in with a fresh seal. The same answer for an unknown address and a wrong password. */
export async function signIn(event: H3Event, email: string, password: string): Promise<Staff> {
  const mail = tryKey('mail', email.toLowerCase())
  const from = tryKey('from', event.node.req.socket.remoteAddress ?? '')
  await throttle(mail, TRIES)
  await throttle(from, TRIES_FROM)
  const [found] = await database().select().from(staff).where(eq(staff.email, email.toLowerCase()))
  const good = await secretMatches(password, found?.passwordHash ?? (await decoy()))
  if (!found || !good || !found.active) {
    await countTry(mail, from)
    throw new ProblemError(401, 'Sign in', 'Address and password do not go together.')
  }
  if (found.demo && !onLoopback())
    throw new ProblemError(403, 'Not allowed', 'Demo accounts work on this machine only.')
  await forgetTries(mail)
  const session = await sealed(event)
  await session.clear()
  const now = Date.now()
  await session.update({
    staffId: found.id,
    version: found.sessionVersion,
    startedAt: now,
    seenAt: now,
    locked: false,
  })
  return found
}

export async function signOut(event: H3Event): Promise<void> {
  await (await sealed(event)).clear()
}

export async function lock(event: H3Event): Promise<void> {
  const session = await sealed(event)
  await session.update({ ...session.data, locked: true })
}

export async function unlock(event: H3Event, me: Staff, code: string): Promise<void> {
  const key = tryKey('code', me.id)
  await throttle(key, CODE_TRIES)
  if (!me.pinHash || !(await secretMatches(code, me.pinHash))) {
    await countTry(key)
    throw new ProblemError(401, 'Not that code', 'The quick code does not fit.')
  }
  await forgetTries(key)
  const session = await sealed(event)
  await session.update({ ...session.data, locked: false, seenAt: Date.now() })
}

/** A new quick code needs the password once more. */
export async function setCode(me: Staff, code: string, password: string): Promise<void> {
  const mail = tryKey('mail', me.email.toLowerCase())
  await throttle(mail, TRIES)
  if (!(await secretMatches(password, me.passwordHash))) {
    await countTry(mail)
    throw new ProblemError(
      401,
      'Not that password',
      'The password does not fit. The quick code was not changed.',
    )
  }
  await database()
    .update(staff)
    .set({ pinHash: await hashSecret(code) })
    .where(eq(staff.id, me.id))
}

/** Ends every session of a person, this one included. */
export async function revokeAll(me: Staff): Promise<void> {
  await database()
    .update(staff)
    .set({ sessionVersion: me.sessionVersion + 1 })
    .where(eq(staff.id, me.id))
}

let decoyHash: Promise<string> | undefined
/** Compared against when the address is unknown, so that the answer takes as long. */
const decoy = () => (decoyHash ??= hashSecret('nobody has this password'))

function onLoopback(): boolean {
  try {
    return ['127.0.0.1', 'localhost', '[::1]'].includes(new URL(useRuntimeConfig().origin).hostname)
  } catch {
    return false
  }
}
