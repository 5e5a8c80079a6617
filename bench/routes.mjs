import { performance } from 'node:perf_hooks'
import { openHouse } from '../scripts/house.mjs'
import { endChild, runServer, whenReady } from '../scripts/server.mjs'
import { load } from '../scripts/setup.mjs'
import { filling } from './filling.mjs'
import { ms, quantile, times } from './numbers.mjs'
import { ownerGets } from './owner.mjs'

const CLIENTS = 10_000
const VISITS = 200_000
const ROUNDS = 60
const WARM = 5
const CONNECTIONS = 10

/**
 * Each route of a house after years beside the very statements that it sends, on the same rows, by the
 * same driver on as many connections: what all the rest of it costs.
 */
export default async function routes() {
  const house = await openHouse('bench-routes', { firstPort: 24810, wanted: 4505 })
  const { hearStatements } = await load('tests/support/statements.ts')
  const ear = await hearStatements(house.cluster.secrets.port)
  const heard = (url) => url.replace(`:${house.cluster.secrets.port}/`, `:${ear.port}/`)
  const cluster = { secrets: house.cluster.secrets, url: (role) => heard(house.cluster.url(role)) }
  const run = await runServer(cluster, { wanted: 4507, quiet: true })
  const sql = await bareConnections(house.cluster.url('app'))
  try {
    await whenReady(run.port, run.child)
    house.cluster.sql(filling(CLIENTS, VISITS), 'oak_basin')
    house.cluster.sql('ANALYZE', 'oak_basin')
    const listened = await ownerGets({ ...house, address: run.address })
    const get = await ownerGets(house)
    const lines = []
    for (const [what, path] of Object.entries(await asked(get))) {
      await listened(path)
      const statements = await ear.during(() => listened(path))
      const reads = statements.filter(({ text }) => /^\s*(select|with)/i.test(text))
      const [route, bare] = [
        await each(() => get(path)),
        await each(() => Promise.all(reads.map((one) => sql.unsafe(one.text, one.values)))),
      ]
      const p95 = { route: quantile(route, 0.95), bare: quantile(bare, 0.95) }
      lines.push(
        `${what.padEnd(22)} ${String(reads.length).padStart(3)} statements: p95 ` +
          `${ms(p95.bare)} → ${ms(p95.route)} = ${times(p95.route / p95.bare)}`,
      )
    }
    return [...lines, `aim: p95 at most 30 ms, and at most 2 × the bare statements`]
  } finally {
    await sql.end()
    await endChild(run.child)
    await ear.close()
    await house.close()
  }
}

async function asked(get) {
  const today = new Date().toISOString().slice(0, 10)
  const { people } = await get('/api/people?q=Client%20500')
  const { visits } = await get('/api/day')
  const [{ id: person }] = people
  const visit = visits.at(-1).id
  return {
    'people, first page': '/api/people',
    'people, search': '/api/people?q=lient%2077',
    day: '/api/day',
    week: `/api/week?date=${today}`,
    'free places': `/api/places?from=${today}&days=7&minutes=60`,
    'client file': `/api/people/${person}`,
    'whole client file': `/api/people/${person}/export`,
    visit: `/api/visits/${visit}`,
    shelf: '/api/shelf',
    audit: '/api/audit',
    'audit, what is rare': '/api/audit?what=client.erase',
    'audit, refused': '/api/audit?refused=yes',
    'audit, of one person': `/api/audit?clientId=${person}`,
  }
}

/** The same driver, told to pass values on as they were heard. */
async function bareConnections(url) {
  const { default: postgres } = await import('postgres')
  const sql = postgres(url, { max: CONNECTIONS, onnotice: () => {}, fetch_types: false })
  for (const kind of Object.keys(sql.options.serializers)) delete sql.options.serializers[kind]
  return sql
}

async function each(work) {
  const all = []
  for (let round = 0; round < ROUNDS + WARM; round++) {
    const began = performance.now()
    await work()
    if (round >= WARM) all.push(performance.now() - began)
  }
  return all
}
