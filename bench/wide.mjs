import { readFileSync } from 'node:fs'
import { performance } from 'node:perf_hooks'
import { openHouse } from '../scripts/house.mjs'
import { load } from '../scripts/setup.mjs'
import { openWide } from '../scripts/wide/wideHouse.mjs'
import { ms, quantile, times } from './numbers.mjs'
import { ownerCookie } from './owner.mjs'

const TABLETS = 8
const TAPS_EACH = 100
const WARM_EACH = 20
const MEGABYTE = 1024

/**
 * The same taps in a house with one of everything that keeps what it is told on its disk, and in one
 * with two: what it costs that each tap is in two databases before it counts, and the memory of both.
 */
export default async function wide() {
  const alone = await measured(
    await openHouse('bench-alone', { durable: true, firstPort: 24830, wanted: 4515 }),
    (house) => [house.child.pid],
  )
  const two = await measured(
    await openWide('bench-wide', { firstPort: 24850, wanted: 4535 }),
    (house) => house.runs.map(({ child }) => child.pid),
  )
  return [
    `one of everything: ${Math.round(alone.perSecond)} taps a second, p95 ${ms(alone.p95)}; ` +
      `the server holds ${alone.megabytes.join(' + ')} MB`,
    `two of everything: ${Math.round(two.perSecond)} taps a second = ` +
      `${times(alone.perSecond / two.perSecond)} slower, p95 ${ms(two.p95)}; ` +
      `the servers hold ${two.megabytes.join(' + ')} MB`,
  ]
}

async function measured(house, pids) {
  Object.assign(process.env, {
    OAK_TEST_URL: house.address,
    OAK_TEST_OWNER_DB: (house.cluster ?? house.pair).url('owner'),
  })
  try {
    const { signedIn } = await load('tests/support/http.ts')
    const { tap, treating } = await load('tests/support/visit.ts')
    const owner = await signedIn(house.address, 'owner')
    const visits = []
    for (let at = 0; at < TABLETS; at++) visits.push(await treating(owner, 'owner', `other-${at}`))
    const cookie = await ownerCookie(house)
    const headers = { cookie, origin: house.address, 'content-type': 'application/json' }
    const took = []
    const post = async (id) => {
      const began = performance.now()
      const reply = await fetch(`${house.address}/api/visits/${id}/events`, {
        ...{ method: 'POST', headers, body: JSON.stringify({ events: [tap({ kind: 'held' })] }) },
      })
      if (!reply.ok) throw new Error(await reply.text())
      await reply.arrayBuffer()
      took.push(performance.now() - began)
    }
    const all = (count) =>
      Promise.all(
        visits.map(async (id) => {
          for (let at = 0; at < count; at++) await post(id)
        }),
      )
    await all(WARM_EACH)
    took.length = 0
    const began = performance.now()
    await all(TAPS_EACH)
    return {
      perSecond: (TABLETS * TAPS_EACH * 1000) / (performance.now() - began),
      p95: quantile(took, 0.95),
      megabytes: pids(house).map(residentMegabytes),
    }
  } finally {
    await house.close()
  }
}

/** Memory that a process holds. */
const residentMegabytes = (pid) =>
  Math.round(
    Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))[1]) / MEGABYTE,
  )
