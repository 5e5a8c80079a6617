import { join } from 'node:path'
import { ensurePostgres } from '../postgres.mjs'
import { freePort } from '../say.mjs'
import { endChild, runServer, whenReady } from '../server.mjs'
import { load, migrate } from '../setup.mjs'
import { runBalancer } from './balancer.mjs'
import { Pair } from './pair.mjs'

/** How many servers stand behind the balancer. */
const SERVERS = 2

/**
 * A house with two of everything: two databases of which one follows the other, two servers on them,
 * and the balancer that people reach.
 * @param pair two databases that are up
 * @param options as of `runServer`, for each of the servers
 */
export async function runWide(pair, { wanted, ...options }) {
  const port = await freePort(wanted)
  const address = options.address ?? `http://127.0.0.1:${port}`
  const runs = []
  for (let at = 0; at < SERVERS; at++)
    runs.push(await oneServer(pair, port + 1 + at, address, options))
  const balancer = await runBalancer(
    join(pair.leader.home, 'balancer.cfg'),
    port,
    runs.map((run) => run.port),
  )
  return {
    runs,
    kept: [...runs, balancer],
    port,
    address,
    close: async () => {
      await endChild(balancer.child)
      for (const run of runs) await endChild(run.child)
    },
  }
}

async function oneServer(pair, wanted, address, options) {
  const run = await runServer(pair, {
    ...options,
    wanted,
    address,
    env: {
      ...options.env,
      NUXT_DATABASE_READS_URL: pair.readsUrl('app'),
      // What the balancer says of where a request comes from is believed, nobody else.
      NUXT_TRUSTED_PROXY: '127.0.0.1',
    },
  })
  await whenReady(run.port, run.child)
  return run
}

/** A throw-away house of two of everything, with the demo in it. */
export async function openWide(name, { firstPort = 24960, wanted = 4560 } = {}) {
  process.env.OAK_DEMO_PIECES ??= '100'
  const pair = new Pair(await ensurePostgres(), name, { firstPort })
  pair.remove()
  await pair.up()
  await migrate(pair.url('owner'))
  const { seedDemo } = await load('db/demo/seed.ts')
  const accounts = await seedDemo(pair.url('owner'), Date.now())
  const house = await runWide(pair, { wanted, quiet: true })
  return {
    ...house,
    pair,
    accounts,
    rest: house.close,
    close: async () => {
      await house.close()
      pair.remove()
    },
  }
}
