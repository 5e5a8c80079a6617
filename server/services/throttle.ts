import { createHash } from 'node:crypto'
import { and, count, eq, gt, lt } from 'drizzle-orm'
import { loginAttempts } from '#db/schema'
import { ProblemError } from '../problem/problem'
import { database } from './database'

const WINDOW_MS = 15 * 60_000

/** What is counted, as a keyed hash: the database never holds an address that was tried. */
export const tryKey = (kind: 'mail' | 'from' | 'code' | 'link', what: string) =>
  createHash('sha256')
    .update(`${kind}\n${what}\n${useRuntimeConfig().sessionPassword}`)
    .digest('hex')

/**
 * @throws ProblemError 429 when as many tries have failed within a quarter of an hour. Servers hold
 * no count of their own.
 */
export async function throttle(key: string, most: number): Promise<void> {
  const since = new Date(Date.now() - WINDOW_MS)
  await database().delete(loginAttempts).where(lt(loginAttempts.at, since))
  const [row] = await database()
    .select({ n: count() })
    .from(loginAttempts)
    .where(and(eq(loginAttempts.keyHash, key), gt(loginAttempts.at, since)))
  if ((row?.n ?? 0) >= most)
    throw new ProblemError(429, 'Too many tries', 'Wait a quarter of an hour, then try again.')
}
export async function countTry(...keys: string[]): Promise<void> {
  await database()
    .insert(loginAttempts)
    .values(keys.map((keyHash) => ({ keyHash })))
}
export async function forgetTries(key: string): Promise<void> {
  await database().delete(loginAttempts).where(eq(loginAttempts.keyHash, key))
}
