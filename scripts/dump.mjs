import { spawn } from 'node:child_process'
import { randomBytes } from 'node:crypto'
import { mkdirSync, readdirSync, rmSync, statSync } from 'node:fs'
import { join } from 'node:path'
import { lockBackup } from './backup.mjs'
import { Trouble } from './say.mjs'

const PREFIX = 'oak-basin-'
const SUFFIX = '.oakbackup'
const stamp = (at) => at.toISOString().replace(/[-:]/g, '').replace(/\..*/, '')
export const backupName = (at) => `${PREFIX}${stamp(at)}${SUFFIX}`

/**
 * How many rows each table has, and a digest of them that does not depend on their order; with the
 * number of seals and the head of their chain. All of one snapshot.
 */
export async function digests(sql) {
  const tables = await sql`
    select table_schema || '.' || quote_ident(table_name) as name from information_schema.tables
    where table_schema in ('public', 'drizzle') and table_type = 'BASE TABLE' order by 1`
  const out = {}
  for (const { name } of tables) {
    const one = `('x' || substr(md5(t::text), 1, 15))::bit(60)::bigint::numeric`
    const [row] = await sql.unsafe(
      `select count(*)::int as rows, coalesce(sum(${one}), 0)::text as digest from ${name} t`,
    )
    out[name] = { rows: row.rows, digest: row.digest }
  }
  // Each practice of the house has its own chain.
  const [now] =
    await sql`select coalesce(sum(number), 0)::int as seals, string_agg(head, ' ' order by branch_id) as head
    from (select distinct on (branch_id) branch_id, number, head from seals order by branch_id, number desc) heads`
  return { tables: out, seals: now.seals, head: now.head }
}

/** A connection that sees the rows of one practice, or of all. */
export async function connect(url, branch = 'all') {
  const { default: postgres } = await import('postgres')
  return postgres(url, {
    max: 1,
    onnotice: () => {},
    connection: {
      TimeZone: 'UTC',
      DateStyle: 'ISO',
      extra_float_digits: 1,
      'oak.branch': branch,
    },
  })
}

/** The digests of a cluster as it stands. */
export async function digestsOf(cluster) {
  const sql = await connect(cluster.url('owner'))
  try {
    return await sql.begin('isolation level repeatable read read only', (tx) => digests(tx))
  } finally {
    await sql.end()
  }
}

/** PostgreSQL's own dump as a stream, of one snapshot; `ended` tells whether it came whole. */
function dumping(cluster, snapshot) {
  const args = [
    ...['-h', '127.0.0.1', '-p', String(cluster.secrets.port), '-U', 'cluster_admin'],
    ...['-d', 'oak_basin', '-Fc', '-Z', '6'],
    ...(snapshot === undefined ? [] : [`--snapshot=${snapshot}`]),
  ]
  const program = join(cluster.programs, 'pg_dump')
  const [command, rest] = cluster.user
    ? ['runuser', ['-u', cluster.user, '--', program, ...args]]
    : [program, args]
  const child = spawn(command, rest, {
    cwd: '/',
    stdio: ['ignore', 'pipe', 'pipe'],
    env: { PATH: process.env.PATH, LANG: 'C.UTF-8', PGPASSWORD: cluster.secrets.superuser },
  })
  let said = ''
  child.stderr.on('data', (chunk) => {
    said += chunk
  })
  const ended = new Promise((resolve, reject) => {
    child.once('error', reject)
    child.once('close', (code) =>
      code === 0 ? resolve() : reject(new Trouble(`pg_dump failed: ${said.slice(0, 400)}`)),
    )
  })
  return { stream: child.stdout, ended }
}

/** Dump, digests and session key of one moment, locked into one file; how many bytes it has. */
const lockInto = (cluster, sql, { file, passphrase, at }) =>
  sql.begin('isolation level repeatable read read only', async (tx) => {
    const [{ snapshot }] = await tx`select pg_export_snapshot() as snapshot`
    const manifest = {
      at: at.toISOString(),
      ...(await digests(tx)),
      secrets: { session: cluster.secrets.session },
    }
    const { stream, ended } = dumping(cluster, snapshot)
    const [size] = await Promise.all([lockBackup(file, passphrase, manifest, stream), ended])
    return size
  })

/**
 * Makes a backup of a running house: dump, digests and session key of one moment, locked with a
 * passphrase. The house goes on meanwhile.
 * @param options.kind how it came about
 * @param options.of the cluster that is read, where one follows this one to the letter
 * @returns the file and its size
 */
export async function backUp(cluster, folder, passphrase, { kind = 'byHand', of = cluster } = {}) {
  mkdirSync(folder, { recursive: true, mode: 0o700 })
  const at = new Date()
  const file = join(folder, backupName(at))
  const [sql, read] = [await connect(cluster.url('owner')), await connect(of.url('owner'))]
  try {
    const bytes = await lockInto(of, read, { file, passphrase, at })
    await sql`insert into backups (at, kind, bytes) values (${at}, ${kind}, ${bytes})`
    return { file, bytes }
  } catch (error) {
    rmSync(file, { force: true })
    throw error
  } finally {
    await Promise.all([sql.end(), read.end()])
  }
}

/** When the house was backed up last, milliseconds; 0 where it never was. */
export async function lastBackup(cluster) {
  const sql = await connect(cluster.url('owner'))
  try {
    const [row] = await sql`select max(at) as at from backups`
    return row?.at?.getTime() ?? 0
  } finally {
    await sql.end()
  }
}

/**
 * Puts a dump into an empty database and proves it: every table's rows and digest as they were.
 * @throws Trouble where anything is unlike; the caller takes the cluster away then
 */
export async function putBack(cluster, dump, manifest) {
  cluster.must('pg_restore', [
    ...['-h', '127.0.0.1', '-p', String(cluster.secrets.port), '-U', 'cluster_admin'],
    ...['-d', 'oak_basin', '--single-transaction', '--exit-on-error', dump],
  ])
  const now = await digestsOf(cluster)
  const unlike = Object.keys({ ...manifest.tables, ...now.tables }).filter(
    (name) => JSON.stringify(manifest.tables[name]) !== JSON.stringify(now.tables[name]),
  )
  if (unlike.length > 0 || now.head !== manifest.head)
    throw new Trouble(
      `What came back is unlike what was kept: ${unlike.join(', ') || 'the seals'}.`,
    )
  return now
}

/** Nightly backups that are older than so many days go; those by hand stay. */
export function thinOut(folder, days, now = Date.now()) {
  for (const name of readdirSync(folder)) {
    if (!name.startsWith(PREFIX) || !name.endsWith(SUFFIX)) continue
    const file = join(folder, name)
    if (now - statSync(file).mtimeMs > days * 86_400_000) rmSync(file)
  }
}

/** So long, and at least so many, copies are kept. */
const KEPT_DAYS = 30
const KEPT_LEAST = 3

/**
 * A locked copy beside the data, kept before tables are changed or everything is wiped; old ones go.
 * @returns the file; and the passphrase that was made for it, where the house has told none
 */
export async function safetyCopy(cluster, why) {
  const folder = join(cluster.home, '..', 'kept')
  mkdirSync(folder, { recursive: true, mode: 0o700 })
  const at = new Date()
  const file = join(folder, `${why}-${stamp(at)}${SUFFIX}`)
  const told = cluster.secrets.passphrase
  const word = told ?? randomBytes(PASSPHRASE_BYTES).toString('base64url')
  const sql = await connect(cluster.url('owner'))
  try {
    await lockInto(cluster, sql, { file, passphrase: word, at })
  } catch (error) {
    rmSync(file, { force: true })
    throw error
  } finally {
    await sql.end()
  }
  pruneKept(folder)
  return { file, ...(told ? {} : { passphrase: word }) }
}
const PASSPHRASE_BYTES = 18

/** Copies that are older than a month go, but for the latest few; those of earlier versions too. */
export function pruneKept(folder, now = Date.now()) {
  const files = readdirSync(folder)
    .map((name) => join(folder, name))
    .sort((one, other) => statSync(other).mtimeMs - statSync(one).mtimeMs)
  for (const file of files.slice(KEPT_LEAST))
    if (now - statSync(file).mtimeMs > KEPT_DAYS * 86_400_000) rmSync(file)
}

/** Whoever had a session or a link of the house as it was has none of the one that came back. */
export async function endOpenDoors(cluster) {
  const sql = await connect(cluster.url('owner'))
  try {
    await sql`update sessions set ended_at = now() where ended_at is null`
    await sql`update staff_links set expires_at = now() where used_at is null and expires_at > now()`
    await sql`update client_links set expires_at = now() where submitted_at is null and expires_at > now()`
  } finally {
    await sql.end()
  }
}
