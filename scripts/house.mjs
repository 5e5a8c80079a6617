import { randomBytes } from 'node:crypto'
import { openMeterBench } from '../devices/meterBench.mjs'
import { Cluster } from './cluster.mjs'
import { ensurePostgres } from './postgres.mjs'
import { endChild, runServer, whenReady } from './server.mjs'
import { load, migrate } from './setup.mjs'
import { copyTemplate, seed } from './template.mjs'

/**
 * A throw-away house stands where it is day now, so that no midnight falls into what is tried in it:
 * the first of these with a working hour. Together they leave no hour out.
 */
const PLACES = ['Europe/Helsinki', 'America/New_York', 'Asia/Tokyo']
const WORKING = { from: 7, until: 20 }
function whereItIsDay(now) {
  const hourIn = (timeZone) =>
    Number(
      new Intl.DateTimeFormat('en', { timeZone, hour: 'numeric', hourCycle: 'h23' }).format(now),
    )
  return PLACES.find((zone) => hourIn(zone) >= WORKING.from && hourIn(zone) < WORKING.until)
}

/** A house of one's own that waits for its first hour, or the demo: a copy of it where one stands ready. */
async function fill(cluster, empty) {
  const copied = empty ? undefined : await copyTemplate(cluster)
  await cluster.up()
  if (copied) return copied
  if (!empty) return seed(cluster)
  await migrate(cluster.url('owner'))
  const { claimEmpty } = await load('db/emptyHouse.ts')
  await claimEmpty(cluster.url('owner'))
  return []
}

/** Where a demo that is seeded now stands, and how many pieces it has; those started from here know it too. */
export function settleDemo() {
  process.env.OAK_DEMO_ZONE ??= whereItIsDay(Date.now()) ?? PLACES[0]
  // Dozens of visits are treated within minutes: nobody cleans between them.
  process.env.OAK_DEMO_PIECES ??= '100'
}

/**
 * A throw-away house for tests and benchmarks: a cluster of its own, tables, the demo scenario, a
 * running server.
 * @param name folder under `.data`; `durable` keeps fsync on, for the tests that kill things; `empty` leaves the
 *   demo out and waits for the first hour
 */
export async function openHouse(
  name,
  { durable = false, server = true, empty = false, firstPort = 24610, wanted = 4390 } = {},
) {
  settleDemo()
  const cluster = new Cluster(await ensurePostgres(), name, { durable, firstPort })
  cluster.remove()
  const setupKey = empty ? randomBytes(24).toString('base64url') : undefined
  const accounts = await fill(cluster, empty)
  const bench = server ? await openMeterBench() : undefined
  const run = bench
    ? await runServer(cluster, {
        wanted,
        meters: `127.0.0.1:${bench.port}`,
        setupKey,
        quiet: true,
      })
    : undefined
  if (run) await whenReady(run.port, run.child)
  return {
    cluster,
    accounts,
    setupKey,
    ...(run ?? {}),
    close: async () => {
      if (run) await endChild(run.child)
      await bench?.close()
      cluster.remove()
    },
  }
}
