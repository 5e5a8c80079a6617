import { createHash } from 'node:crypto'
import { performance } from 'node:perf_hooks'
import { setTimeout } from 'node:timers/promises'
import { openHouse } from '../scripts/house.mjs'
import { load } from '../scripts/setup.mjs'
import { filling } from './filling.mjs'
import { ms, quantile, times } from './numbers.mjs'
import { ownerGets } from './owner.mjs'

const CLIENTS = 1_000
const VISITS = 20_000
const OTHERS = 9
const ROUNDS = 25
const WARM = 4
const SECOND_MS = 1000
/** Tables that are copied, each after those it points to, and their columns that are ids of rows. */
const COPIED = [
  'staff',
  'rooms',
  'clients',
  'visits',
  'consultations',
  'consents',
  'readings',
].concat(['seals', 'seal_items', 'audit'])
const IDS = ['id', 'client_id', 'visit_id', 'room_id', 'staff_id', 'by', 'created_by', 'told_to']

/** One practice's rows once more for another one, under ids of their own. */
function copyFor(cluster, first, branch) {
  const lines = cluster
    .sql(
      `select table_name || '.' || column_name from information_schema.columns
       where table_schema = 'public' and is_identity = 'NO'`,
      'oak_basin',
    )
    .split('\n')
  return COPIED.map((table) => {
    const columns = lines.flatMap((line) =>
      line.startsWith(`${table}.`) ? [line.slice(table.length + 1)] : [],
    )
    const values = columns.map((column) => {
      if (column === 'branch_id') return `'${branch}'`
      if (IDS.includes(column)) return `md5("${column}"::text || '${branch}')::uuid`
      // One of them works in all ten.
      if (column === 'email' && table === 'staff')
        return `case when email like 'bench1@%' then email else '${branch}' || email end`
      if (table === 'seals' && ['prev', 'head'].includes(column))
        return `encode(sha256(("${column}" || '${branch}')::bytea), 'hex')`
      return `"${column}"`
    })
    const names = columns.map((column) => `"${column}"`).join(', ')
    return `insert into ${table} (${names}) select ${values.join(', ')} from ${table} where branch_id = '${first}';`
  }).join('\n')
}

async function measured(get) {
  const today = new Date().toISOString().slice(0, 10)
  const { people } = await get('/api/people?q=Client%20500')
  const { visits } = await get('/api/day')
  const asked = {
    'people, first page': '/api/people',
    'people, search': '/api/people?q=lient%2077',
    day: '/api/day',
    week: `/api/week?date=${today}`,
    'free places': `/api/places?from=${today}&days=7&minutes=60`,
    'client file': `/api/people/${people[0].id}`,
    visit: `/api/visits/${visits.at(-1).id}`,
    audit: '/api/audit',
  }
  const medians = {}
  for (const [what, path] of Object.entries(asked)) {
    const all = []
    for (let round = 0; round < ROUNDS + WARM; round++) {
      const began = performance.now()
      await get(path)
      if (round >= WARM) all.push(performance.now() - began)
    }
    medians[what] = quantile(all, 0.5)
  }
  return medians
}

/** What a practice pays for nine others of its size in the same database. */
export default async function practices() {
  const house = await openHouse('bench-practices', { firstPort: 24790, wanted: 4496 })
  try {
    const { cluster } = house
    const { addBranch, listBranches } = await load('db/branches.ts')
    cluster.sql(filling(CLIENTS, VISITS), 'oak_basin')
    cluster.sql('ANALYZE', 'oak_basin')
    const get = await ownerGets(house)
    const alone = await measured(get)
    for (let place = 1; place <= OTHERS; place++)
      await addBranch(
        cluster.url('owner'),
        `Practice ${createHash('md5').update(`${place}`).digest('hex')}`,
      )
    const [first, ...others] = await listBranches(cluster.url('owner'))
    for (const { id } of others)
      cluster.sql(
        `set session_replication_role = replica; ${copyFor(cluster, first.id, id)}`,
        'oak_basin',
      )
    cluster.sql('ANALYZE', 'oak_basin')
    // Lines to the server that fell silent meanwhile are let go of first.
    await setTimeout(SECOND_MS)
    const beside = await measured(get)
    const worst = Math.max(...Object.keys(alone).map((what) => beside[what] / alone[what]))
    return [
      ...Object.keys(alone).map(
        (what) =>
          `${what.padEnd(20)} alone ${ms(alone[what])}, beside ${OTHERS} others ` +
          `${ms(beside[what])} = ${times(beside[what] / alone[what])}`,
      ),
      `ten practices in one database cost each at most ${times(worst)} the time of one by itself`,
    ]
  } finally {
    await house.close()
  }
}
