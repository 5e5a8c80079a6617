import { randomBytes, scryptSync } from 'node:crypto'
import type { PgDatabase } from 'drizzle-orm/pg-core'
import { drizzle, type PostgresJsQueryResultHKT } from 'drizzle-orm/postgres-js'
import postgres from 'postgres'
import { BRANCH_SETTING } from './branches'

/** The tables, or a transaction on them. */
export type Database = PgDatabase<PostgresJsQueryResultHKT>

/**
 * Works on the tables as the role that owns them; the connection ends with the work.
 * @param url where the database is, with the owner's name and password
 * @param branch the practice whose rows it works on; the first one where none is named
 */
export async function withOwner<Result>(
  url: string,
  work: (db: Database) => Promise<Result>,
  branch = '',
): Promise<Result> {
  const connection = { [BRANCH_SETTING]: branch }
  const client = postgres(url, { max: 1, onnotice: () => {}, connection })
  try {
    return await work(drizzle(client))
  } finally {
    await client.end()
  }
}

/** A password or code as the server keeps it: `scrypt$salt$key` in base64url. */
export function hashOf(secret: string): string {
  const salt = randomBytes(16)
  const cost = { N: 32768, r: 8, p: 1, maxmem: 64 * 1024 * 1024 }
  const key = scryptSync(secret.normalize('NFKC'), salt, 32, cost)
  return `scrypt$${salt.toString('base64url')}$${key.toString('base64url')}`
}
