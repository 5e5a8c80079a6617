import { createHash } from 'node:crypto'
import { and, count, eq, gt, inArray, lt, sql } from 'drizzle-orm'
import type { H3Event } from 'h3'
import { loginAttempts } from '#db/schema'
import { ProblemError } from '../../problem/problem'
import { database } from '../database'

const WINDOW_MS = 15 * 60_000

/** What is counted, as a keyed hash: the database never holds an address that was tried. */
export const tryKey = (kind: 'mail' | 'pair' | 'device' | 'from' | 'code' | 'link', what: string) =>
  createHash('sha256')
    .update(`${kind}\n${what}\n${useRuntimeConfig().sessionPassword}`)
    .digest('hex')

/**
 * Where a request comes from. Behind the configured proxy it is the last address that the proxy
 * itself has written; what anybody else claims there is not believed.
 */
export function addressOf(event: H3Event): string {
  const from = event.node.req.socket.remoteAddress ?? ''
  const { trustedProxy } = useRuntimeConfig()
  if (trustedProxy === '' || from.replace(/^::ffff:/, '') !== trustedProxy) return from
  const claimed = event.node.req.headers['x-forwarded-for']
  return (
    String(claimed ?? from)
      .split(',')
      .map((one) => one.trim())
      .at(-1) || from
  )
}

/** One count that a try adds to, and how many a quarter of an hour may see. */
export interface Limit {
  key: string
  most: number
}

/**
 * Counts a try before it is judged, so that any number of them at once are no more than are allowed;
 * for every server alike.
 * @returns what was written, to be taken back where the try was good
 * @throws ProblemError 429 when one of the limits is reached; nothing is counted then
 */
export async function countTry(...limits: Limit[]): Promise<number[]> {
  const since = new Date(Date.now() - WINDOW_MS)
  const keys = limits.map(({ key }) => key).sort()
  return database().transaction(async (tx) => {
    for (const key of keys)
      await tx.execute(sql`select pg_advisory_xact_lock(hashtextextended(${key}, 0))`)
    await tx.delete(loginAttempts).where(lt(loginAttempts.at, since))
    const counted = await tx
      .select({ key: loginAttempts.keyHash, tries: count() })
      .from(loginAttempts)
      .where(and(inArray(loginAttempts.keyHash, keys), gt(loginAttempts.at, since)))
      .groupBy(loginAttempts.keyHash)
    const full = limits.some(
      ({ key, most }) => (counted.find((row) => row.key === key)?.tries ?? 0) >= most,
    )
    if (full)
      throw new ProblemError(429, 'Too many tries', 'Wait a quarter of an hour, then try again.')
    const rows = await tx
      .insert(loginAttempts)
      .values(keys.map((keyHash) => ({ keyHash })))
      .returning({ id: loginAttempts.id })
    return rows.map(({ id }) => id)
  })
}

/** A try that was good was none. */
export async function takeBack(tries: readonly number[]): Promise<void> {
  if (tries.length > 0)
    await database()
      .delete(loginAttempts)
      .where(inArray(loginAttempts.id, [...tries]))
}
/** Whoever has come in starts anew. */
export async function forgetTries(key: string): Promise<void> {
  await database().delete(loginAttempts).where(eq(loginAttempts.keyHash, key))
}
