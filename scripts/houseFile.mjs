import { createHash } from 'node:crypto'
import { createReadStream, rmSync } from 'node:fs'
import { open } from 'node:fs/promises'
import { createInterface } from 'node:readline'
import { once } from 'node:events'
import { connect } from './dump.mjs'
import { Trouble } from './say.mjs'
import { load } from './setup.mjs'

/** What stays in the house it belongs to: its practices, sessions, tries, links, and when it was backed up. */
const NOT_CARRIED = [
  'branches',
  'client_shares',
  'sessions',
  'login_attempts',
  'staff_links',
  'client_links',
  'home_links',
  'backups',
  'pulse',
]
/** A secret that is locked with the house's key opens nowhere else. */
const BLANKED = {
  staff: { totp_secret: null, totp_step: 0 },
  // What waits to be sent holds a link of this house.
  messages: { words: null },
}
const FORMAT = 'oak-basin/house'
const VERSION = 1
const BATCH = 500
/** What is taken in is of the practice that takes it in. */
const OURS = "jsonb_build_object('branch_id', branch_now())"

/** The tables of a house that are carried, each after those it points to. */
export async function carriedTables() {
  const [schema, { getTableConfig, PgTable }, { is }] = await Promise.all([
    load('db/schema/index.ts'),
    import('drizzle-orm/pg-core'),
    import('drizzle-orm'),
  ])
  const configs = Object.values(schema)
    .filter((table) => is(table, PgTable))
    .map((table) => getTableConfig(table))
    .filter(({ name }) => !NOT_CARRIED.includes(name))
  const sorted = []
  const place = (config) => {
    if (sorted.includes(config)) return
    for (const key of config.foreignKeys) {
      const to = getTableConfig(key.reference().foreignTable).name
      const other = configs.find(({ name }) => name === to)
      if (other && other !== config) place(other)
    }
    sorted.push(config)
  }
  for (const config of configs.sort((one, two) => (one.name < two.name ? -1 : 1))) place(config)
  return sorted
}

const orderOf = ({ primaryKeys, columns }) => {
  const keys = primaryKeys.flatMap((key) => key.columns.map(({ name }) => name))
  const own = columns.filter(({ primary }) => primary).map(({ name }) => name)
  return [...keys, ...own].map((name) => `"${name}"`).join(', ')
}
/** A document is text: bytes are written in base64. */
const bytesOf = ({ columns }) =>
  columns.filter((column) => column.getSQLType() === 'bytea').map(({ name }) => name)
const asText = (name) =>
  `|| jsonb_build_object('${name}', translate(encode("${name}", 'base64'), e'\\n', ''))`
const asBytes = (config) => (row) => ({
  ...row,
  ...Object.fromEntries(
    bytesOf(config)
      .filter((name) => typeof row[name] === 'string')
      .map((name) => [name, `\\x${Buffer.from(row[name], 'base64').toString('hex')}`]),
  ),
})
const summing = () => {
  const hash = createHash('sha256')
  let rows = 0
  return {
    add: (text) => {
      hash.update(text)
      hash.update('\n')
      rows++
    },
    sum: () => ({ rows, sha256: hash.digest('hex') }),
  }
}

/** Every row of a table as JSON with its keys in one order, by the table's key. */
async function* rowsOf(sql, config) {
  const blanked = JSON.stringify(BLANKED[config.name] ?? {})
  const bytes = bytesOf(config).map(asText).join('')
  const cursor = sql
    .unsafe(
      `select (to_jsonb(t) - 'branch_id' ${bytes} || $1::text::jsonb)::text as row
         from "${config.name}" t order by ${orderOf(config)}`,
      [blanked],
    )
    .cursor(BATCH)
  for await (const batch of cursor) for (const { row } of batch) yield row
}

/**
 * Writes one practice of a house as one JSON document, of one moment, while it may be running: a row a line. It is
 * not locked: whoever reads it reads everything.
 * @returns the tables with their rows and sums
 */
export async function writeHouse(cluster, file, branch, far = () => {}) {
  const tables = await carriedTables()
  // What is there already is not ours to write over, nor to take away.
  const out = (await open(file, 'wx', 0o600)).createWriteStream()
  const sql = await connect(cluster.url('owner'), branch)
  const put = async (text) => {
    if (!out.write(text)) await once(out, 'drain')
  }
  try {
    const sums = await sql.begin('isolation level repeatable read read only', async (tx) => {
      await put(
        `{"format":"${FORMAT}","formatVersion":${VERSION},"exportedAt":"${new Date().toISOString()}","tables":{\n`,
      )
      const done = {}
      for (const [at, config] of tables.entries()) {
        const { add, sum } = summing()
        await put(`${at === 0 ? '' : ',\n'}"${config.name}":[`)
        let first = true
        for await (const row of rowsOf(tx, config)) {
          await put(`${first ? '\n' : ',\n'}${row}`)
          first = false
          add(row)
        }
        await put(']')
        done[config.name] = sum()
        far(at + 1, tables.length)
      }
      await put(`\n},"sums":${JSON.stringify(done)}}\n`)
      return done
    })
    out.end()
    await once(out, 'close')
    return sums
  } catch (error) {
    out.destroy()
    rmSync(file, { force: true })
    throw error
  } finally {
    await sql.end()
  }
}

/** Reads a house back, as a whole JSON document, however it is laid out. */
async function readWhole(file) {
  const parts = []
  for await (const line of createInterface({ input: createReadStream(file, 'utf8') }))
    parts.push(line)
  let document
  try {
    document = JSON.parse(parts.join('\n'))
  } catch {
    throw new Trouble('The file is not whole JSON. Nothing was taken in.')
  }
  if (document?.format !== FORMAT || document.formatVersion !== VERSION)
    throw new Trouble(
      `The file is not a house of this kind (${FORMAT} ${VERSION}). Nothing was taken in.`,
    )
  return document
}

/**
 * Takes a house in that was written as JSON, into empty tables, all of it or none; then proves it
 * equal, row for row, with the sums of the file.
 * @throws Trouble where a table is missing, unknown or unlike
 */
export async function takeHouse(cluster, file) {
  const document = await readWhole(file)
  const tables = await carriedTables()
  const unknown = Object.keys(document.tables).find(
    (name) => !tables.some((own) => own.name === name),
  )
  if (unknown) throw new Trouble(`The file holds ${unknown}, which this version does not know.`)
  const sql = await connect(cluster.url('owner'))
  try {
    await sql.begin(async (tx) => {
      for (const config of tables) {
        const { name } = config
        const rows = document.tables[name]
        if (!Array.isArray(rows)) throw new Trouble(`The file lacks ${name}. Nothing was taken in.`)
        await tx.unsafe(`alter table "${name}" disable trigger user`)
        await tx.unsafe(`delete from "${name}"`)
        for (let at = 0; at < rows.length; at += BATCH)
          await tx.unsafe(
            `insert into "${name}" overriding system value select * from jsonb_populate_recordset(null::"${name}",
              (select jsonb_agg(r || ${OURS}) from jsonb_array_elements($1::text::jsonb) r))`,
            [JSON.stringify(rows.slice(at, at + BATCH).map(asBytes(config)))],
          )
        await tx.unsafe(`alter table "${name}" enable trigger user`)
      }
      await tx`select setval(pg_get_serial_sequence('audit', 'id'), greatest(1, (select max(id) from audit)))`
      for (const config of tables) {
        const { add, sum } = summing()
        for await (const row of rowsOf(tx, config)) add(row)
        const [is, was] = [sum(), document.sums?.[config.name]]
        if (is.rows !== was?.rows || is.sha256 !== was.sha256)
          throw new Trouble(
            `What came back of ${config.name} is unlike the file. Nothing was kept.`,
          )
      }
    })
    return document.sums
  } finally {
    await sql.end()
  }
}
