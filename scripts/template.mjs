import { spawnSync } from 'node:child_process'
import { existsSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { Cluster } from './cluster.mjs'
import { ensurePostgres } from './postgres.mjs'
import { readSecrets, writeSecrets } from './secrets.mjs'
import { freePort, Trouble } from './say.mjs'
import { load, migrate } from './setup.mjs'

/** Who can sign in to the demo, as it was seeded. */
const ACCOUNTS = 'accounts.json'

/** Tables and the demo scenario in a cluster that runs. */
export async function seed(cluster) {
  await migrate(cluster.url('owner'))
  const { seedDemo } = await load('db/demo/seed.ts')
  return seedDemo(cluster.url('owner'), Date.now())
}

/**
 * The demo, seeded once and standing still: whoever opens a throw-away house within this run copies
 * its folder. The folder is told to them, and to the processes that they start, by its name.
 */
export async function makeTemplate() {
  const cluster = new Cluster(await ensurePostgres(), 'template', { durable: false })
  cluster.remove()
  await cluster.up()
  const accounts = await seed(cluster)
  cluster.down()
  writeFileSync(join(cluster.home, ACCOUNTS), JSON.stringify(accounts))
  process.env.OAK_TEMPLATE = cluster.home
  return {
    close: () => {
      delete process.env.OAK_TEMPLATE
      cluster.remove()
    },
  }
}

/**
 * Makes a cluster's folder from the template, if there is one: with its passwords and a port of its own.
 * @returns who can sign in, or undefined where there is no template
 * @throws Trouble where the folder cannot be copied
 */
export async function copyTemplate(cluster) {
  const template = process.env.OAK_TEMPLATE
  if (!template || !existsSync(join(template, ACCOUNTS))) return undefined
  const copied = spawnSync('cp', ['-a', template, cluster.home], { encoding: 'utf8' })
  if (copied.status !== 0) throw new Trouble(`The demo could not be copied:\n${copied.stderr}`)
  const port = await freePort(cluster.firstPort)
  writeSecrets(cluster.secretsFile, { ...readSecrets(cluster.secretsFile), port })
  return JSON.parse(readFileSync(join(cluster.home, ACCOUNTS), 'utf8'))
}
