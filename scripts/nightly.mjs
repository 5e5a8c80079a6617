import { join } from 'node:path'
import { backUp, lastBackup, thinOut } from './dump.mjs'
import { ROOT, say } from './say.mjs'
import { backupIsDue, LOOK_MS } from './nightlyDue.mjs'
import { load } from './setup.mjs'
import { leading } from './wide/pair.mjs'

const KEPT_DAYS = 14

/**
 * Backs the house up once a night while it runs, and at the first look after a night it slept
 * through. Without a passphrase nothing is kept: Practice and Day say so.
 * @returns what ends it
 */
export function keepNightly(cluster, name) {
  const folder = join(ROOT, '.data', 'backups', name)
  let busy = false
  async function look() {
    const { passphrase } = cluster.secrets
    if (busy || !passphrase) return
    busy = true
    try {
      if (backupIsDue(new Date(), await lastBackup(cluster))) {
        await backUp(cluster, folder, passphrase, {
          kind: 'nightly',
          of: cluster.follower?.running() ? cluster.follower : leading(cluster),
        })
        thinOut(folder, KEPT_DAYS)
      }
    } catch (error) {
      say(`The nightly backup failed: ${error.message}`)
    } finally {
      busy = false
    }
  }
  const timer = setInterval(look, LOOK_MS)
  void look()
  return () => clearInterval(timer)
}

/**
 * A demo that runs over midnight gets its new day's visits, as one that is started then would.
 * @param url the owner's connection
 * @returns what ends it
 */
export function keepDemoToday(url) {
  async function look() {
    try {
      const { seedDemo } = await load('db/demo/seed.ts')
      await seedDemo(url, Date.now())
    } catch (error) {
      say(`The demo was not brought up to today: ${error.message}`)
    }
  }
  const timer = setInterval(look, LOOK_MS)
  return () => clearInterval(timer)
}
