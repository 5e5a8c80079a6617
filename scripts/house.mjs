import { openMeterBench } from '../devices/meterBench.mjs'
import { Cluster, ensurePostgres } from './cluster.mjs'
import { endChild, runServer, whenReady } from './server.mjs'
import { load, migrate } from './setup.mjs'

/**
 * A throw-away house for tests and benchmarks: a cluster of its own, tables, the demo scenario, a
 * running server.
 * @param name folder under `.data`; `durable` keeps fsync on, for the tests that kill things
 */
export async function openHouse(
  name,
  { durable = false, server = true, firstPort = 54610, wanted = 4390 } = {},
) {
  const cluster = new Cluster(await ensurePostgres(), name, { durable, firstPort })
  cluster.remove()
  await cluster.up()
  await migrate(cluster.url('owner'))
  const { seedDemo } = await load('db/demo/seed.ts')
  const accounts = await seedDemo(cluster.url('owner'), Date.now())
  const bench = server ? await openMeterBench() : undefined
  const run = bench
    ? await runServer(cluster, { wanted, meters: `127.0.0.1:${bench.port}`, quiet: true })
    : undefined
  if (run) await whenReady(run.port, run.child)
  return {
    cluster,
    accounts,
    ...(run ?? {}),
    close: async () => {
      if (run) await endChild(run.child)
      await bench?.close()
      cluster.remove()
    },
  }
}
