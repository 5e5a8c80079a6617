import { createHash } from 'node:crypto'
import { and, count, eq, gt, inArray, lt } from 'drizzle-orm'
import { useSession, type H3Event } from 'h3'
import { loginAttempts, staff } from '#db/schema'
import { ProblemError } from '../http/problem'
import { database } from './database'
import { hashSecret, secretMatches } from './passwords'

export type Staff = typeof staff.$inferSelect
interface Sealed { staffId?: string, version?: number, startedAt?: number, seenAt?: number, locked?: boolean }

const IDLE_MS = 2 * 3_600_000
const ABSOLUTE_MS = 12 * 3_600_000
const WINDOW_MS = 15 * 60_000
const TRIES = 8

const sealed = (event: H3Event) => useSession<Sealed>(event, {
  name: '__Host-oak', password: useRuntimeConfig().sessionPassword, maxAge: ABSOLUTE_MS / 1000, cookie: { httpOnly: true, secure: true, sameSite: 'strict', path: '/' }, sessionHeader: false,
})
const signedOut = (detail: string) => new ProblemError(401, 'Sign in', detail)

/**
 * Whoever is signed in, looked up anew on every request, so that a raised session version or a closed account ends a session at once.
 * @throws ProblemError 401 when nobody is, 423 when the tablet is locked
 */
export async function currentStaff(event: H3Event, evenLocked = false): Promise<Staff> {
  const session = await sealed(event)
  const { staffId, version, startedAt = 0, seenAt = 0, locked } = session.data
  if (!staffId) throw signedOut('Sign in to go on. What you typed is kept on this device.')
  const now = Date.now()
  if (now - startedAt > ABSOLUTE_MS || now - seenAt > IDLE_MS) { await session.clear(); throw signedOut('The session has ended. Sign in again; what you typed is kept on this device.') }
  const [me] = await database().select().from(staff).where(eq(staff.id, staffId))
  if (!me || !me.active || me.sessionVersion !== version) { await session.clear(); throw signedOut('The session has ended. Sign in again.') }
  if (locked === true && !evenLocked) throw new ProblemError(423, 'Locked', 'Unlock with your quick code.')
  if (now - seenAt > 60_000) await session.update({ ...session.data, seenAt: now })
  return me
}

export async function isLocked(event: H3Event): Promise<boolean> {
  return (await sealed(event)).data.locked === true
}

/** Signs in with a fresh seal. The same answer for an unknown address and a wrong password. */
export async function signIn(event: H3Event, email: string, password: string): Promise<Staff> {
  const keys = [keyOf('mail', email.toLowerCase()), keyOf('from', event.node.req.socket.remoteAddress ?? '')]
  await throttle(keys[0] ?? '', TRIES)
  const [found] = await database().select().from(staff).where(eq(staff.email, email.toLowerCase()))
  const good = await secretMatches(password, found?.passwordHash ?? await decoy())
  if (!found || !good || !found.active) {
    await database().insert(loginAttempts).values({ keyHash: keys[0] ?? '' })
    throw new ProblemError(401, 'Sign in', 'Address and password do not go together.')
  }
  if (found.demo && !onLoopback()) throw new ProblemError(403, 'Not allowed', 'Demo accounts work on this machine only.')
  await database().delete(loginAttempts).where(inArray(loginAttempts.keyHash, keys))
  const session = await sealed(event)
  await session.clear()
  const now = Date.now()
  await session.update({ staffId: found.id, version: found.sessionVersion, startedAt: now, seenAt: now, locked: false })
  return found
}

export async function signOut(event: H3Event): Promise<void> { await (await sealed(event)).clear() }

export async function lock(event: H3Event): Promise<void> {
  const session = await sealed(event)
  await session.update({ ...session.data, locked: true })
}

export async function unlock(event: H3Event, me: Staff, code: string): Promise<void> {
  const key = keyOf('code', me.id)
  await throttle(key, 5)
  if (!me.pinHash || !(await secretMatches(code, me.pinHash))) {
    await database().insert(loginAttempts).values({ keyHash: key })
    throw new ProblemError(401, 'Not that code', 'The quick code does not fit.')
  }
  await database().delete(loginAttempts).where(eq(loginAttempts.keyHash, key))
  const session = await sealed(event)
  await session.update({ ...session.data, locked: false, seenAt: Date.now() })
}

/** A new quick code needs the password once more. */
export async function setCode(me: Staff, code: string, password: string): Promise<void> {
  await throttle(keyOf('mail', me.email), TRIES)
  if (!(await secretMatches(password, me.passwordHash))) {
    await database().insert(loginAttempts).values({ keyHash: keyOf('mail', me.email) })
    throw new ProblemError(401, 'Not that password', 'The password does not fit. The quick code was not changed.')
  }
  await database().update(staff).set({ pinHash: await hashSecret(code) }).where(eq(staff.id, me.id))
}

/** Ends every session of a person, this one included. */
export async function revokeAll(me: Staff): Promise<void> {
  await database().update(staff).set({ sessionVersion: me.sessionVersion + 1 }).where(eq(staff.id, me.id))
}

async function throttle(key: string, most: number): Promise<void> {
  const since = new Date(Date.now() - WINDOW_MS)
  await database().delete(loginAttempts).where(lt(loginAttempts.at, since))
  const [row] = await database().select({ n: count() }).from(loginAttempts).where(and(eq(loginAttempts.keyHash, key), gt(loginAttempts.at, since)))
  if ((row?.n ?? 0) >= most) throw new ProblemError(429, 'Too many tries', 'Wait a quarter of an hour, then try again.')
}

const keyOf = (kind: string, what: string) => createHash('sha256').update(`${kind}\n${what}\n${useRuntimeConfig().sessionPassword}`).digest('hex')
let decoyHash: Promise<string> | undefined
/** Compared against when the address is unknown, so that the answer takes as long. */
const decoy = () => (decoyHash ??= hashSecret('nobody has this password'))

function onLoopback(): boolean {
  try { return ['127.0.0.1', 'localhost', '[::1]'].includes(new URL(useRuntimeConfig().origin).hostname) } catch { return false }
}
