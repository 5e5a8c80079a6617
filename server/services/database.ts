import { AsyncLocalStorage } from 'node:async_hooks'
import { drizzle, PostgresJsSession, type PostgresJsDatabase } from 'drizzle-orm/postgres-js'
import postgres, { type Sql } from 'postgres'
import * as schema from '#db/schema'
import { branchHere, FIRST_BRANCH } from './branch'

interface Pool {
  sql: Sql
  db: PostgresJsDatabase<typeof schema>
}
/** Of each practice its own connections: whose rows they see is said as they are made. */
const opened = new Map<string, Pool>()
/** Whether this very call runs inside a transaction. */
const inside = new AsyncLocalStorage<true>()

/** What takes longer than that is not answered any more: it is said, and let go of. */
const CONNECT_SECONDS = 5
const STATEMENT_MS = 20_000
const LOCK_MS = 15_000
/** Connections that one server keeps open at most: those that write, and those that look back. */
const CONNECTIONS_LIMIT = 10
const READING_LIMIT = 5

/** What a connection says of itself, once, in the words of the database's own functions. */
const BRANCH_SETTING = 'oak.branch'

/** Above that many values a statement is one of its kind: a list of names, a box of readings. */
const MOST_VALUES = 24

/**
 * Every statement of few values is parsed and planned once a connection and run by its name from then
 * on. Drizzle asks the driver for that only where each has been named by hand.
 */
function runByName() {
  const { prepareQuery } = PostgresJsSession.prototype
  type Prepare = typeof prepareQuery
  const byItsText = function (
    this: unknown,
    ...[query, fields, name, ...rest]: Parameters<Prepare>
  ) {
    const named = name ?? (query.params.length <= MOST_VALUES ? 'by its text' : undefined)
    return prepareQuery.call(this as never, query, fields, named, ...rest)
  }
  PostgresJsSession.prototype.prepareQuery = byItsText as Prepare
}

/** A pool of connections; the address may name several databases, of which the one that writes is taken. */
const client = (url: string, max: number, branch: string) =>
  postgres(url, {
    max,
    connect_timeout: CONNECT_SECONDS,
    onnotice: () => {},
    idle_timeout: 60,
    connection: {
      statement_timeout: STATEMENT_MS,
      lock_timeout: LOCK_MS,
      idle_in_transaction_session_timeout: STATEMENT_MS,
      ...(branch === FIRST_BRANCH ? {} : { [BRANCH_SETTING]: branch }),
    },
  })

function open(branch: string): Pool {
  const known = opened.get(branch)
  if (known) return known
  const url = useRuntimeConfig().databaseUrl
  if (!url) throw new Error('NUXT_DATABASE_URL is not set')
  if (opened.size === 0) runByName()
  const sql = client(url, CONNECTIONS_LIMIT, branch)
  const db = drizzle(sql, { schema })
  const begin = db.transaction.bind(db)
  db.transaction = (work, config) => begin((tx) => inside.run(true, () => work(tx)), config)
  opened.set(branch, { sql, db })
  return { sql, db }
}

/**
 * The pool of connections of the practice that works.
 * @throws Error inside a transaction: it holds a connection, and a second one asked for beside it
 * is how a house full of tablets comes to a standstill. What it needs is read before it begins, or
 * by the transaction itself.
 */
export function database(): Database {
  if (inside.getStore()) throw new Error('a transaction uses its own connection')
  return open(branchHere()).db
}
/** For what is heard and said among servers, whichever practice works. */
export const sqlClient = () => open(FIRST_BRANCH).sql

const reads = new Map<string, PostgresJsDatabase<typeof schema>>()
/**
 * Where a house has a second database that follows the first to the letter, what only looks back over
 * long times is read there; else the same as `database()`. What was acknowledged before is in it.
 */
export function lookingBack(): Database {
  const url = useRuntimeConfig().databaseReadsUrl
  if (url === '') return database()
  const branch = branchHere()
  const known = reads.get(branch) ?? drizzle(client(url, READING_LIMIT, branch), { schema })
  reads.set(branch, known)
  return known
}
export type Database = PostgresJsDatabase<typeof schema>
export type Transaction = Parameters<Parameters<Database['transaction']>[0]>[0]
