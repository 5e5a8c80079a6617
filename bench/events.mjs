import { readFileSync } from 'node:fs'
import { performance } from 'node:perf_hooks'
import { openHouse } from '../scripts/house.mjs'
import { load } from '../scripts/setup.mjs'
import { ms, quantile, times } from './numbers.mjs'
import { ownerCookie } from './owner.mjs'

const CONNECTIONS = 8
const TAPS_EACH = 150
const WARM_EACH = 20
const LISTENERS = 50
const HEARD_TAPS = 500
const SETTLE_MS = 3000
/** Where /proc/PID/stat has a process's own and the kernel's ticks, counted behind its name. */
const USER_AT = 11
const SYSTEM_AT = 12
const TICKS_PER_SECOND = 100

/**
 * Taps from eight tablets at once, each in a visit of its own, beside the bare rows on the same database;
 * and how soon fifty tablets in one room hear of a tap.
 */
export default async function events() {
  const house = await openHouse('bench-events', { firstPort: 24790, wanted: 4497 })
  Object.assign(process.env, {
    OAK_TEST_URL: house.address,
    OAK_TEST_OWNER_DB: house.cluster.url('owner'),
  })
  try {
    const { signedIn } = await load('tests/support/http.ts')
    const { tap, treating, bundleOf } = await load('tests/support/visit.ts')
    const owner = await signedIn(house.address, 'owner')
    const visits = []
    for (let at = 0; at < CONNECTIONS; at++) {
      const id = await treating(owner, 'owner', `other-${at}`)
      const [plan] = (await bundleOf(owner, id)).plans
      visits.push({ id, keys: plan.steps.map(({ key }) => key) })
    }
    const cookie = await ownerCookie(house)
    const headers = { cookie, origin: house.address, 'content-type': 'application/json' }
    const post = async (id, body) => {
      const reply = await fetch(`${house.address}/api/visits/${id}/events`, {
        ...{ method: 'POST', headers, body: JSON.stringify({ events: [tap(body)] }) },
      })
      const text = await reply.text()
      if (!reply.ok) throw new Error(text)
    }
    /** What hands tap most: a step that is over, and one more of what is counted. */
    const bodyOf = ({ keys }, at) =>
      at % 2 === 0
        ? { kind: 'stepDone', key: keys[at % keys.length], cue: true }
        : { kind: 'counted', key: keys[at % keys.length], region: null, by: 1 }
    const eachTaps = (count) =>
      Promise.all(
        visits.map(async (visit) => {
          for (let at = 0; at < count; at++) await post(visit.id, bodyOf(visit, at))
        }),
      )
    await eachTaps(WARM_EACH)
    const before = processorSeconds(house.child.pid)
    const taps = await perSecond(CONNECTIONS * TAPS_EACH, () => eachTaps(TAPS_EACH))
    const busy = processorSeconds(house.child.pid) - before
    const rows = await perSecond(CONNECTIONS * TAPS_EACH, () => bareRows(house, visits))
    const [room] = visits
    const url = `${house.address}/api/visits/${room.id}/stream?tablet=t`
    const heard = await heardAfter(url, cookie, (at) => post(room.id, bodyOf(room, at)))
    return [
      `${CONNECTIONS} tablets: ${Math.round(taps)} taps a second beside their tablets and the ` +
        `database; as bare rows ${Math.round(rows)} = ${times(rows / taps)}`,
      `a core of the server's own is enough for ${Math.round((CONNECTIONS * TAPS_EACH) / busy)} ` +
        `taps a second (aim: 500)`,
      `${LISTENERS} tablets in a room hear each of ${HEARD_TAPS} taps: median ` +
        `${ms(quantile(heard, 0.5))}, p95 ${ms(quantile(heard, 0.95))} (aim: 50 ms)`,
    ]
  } finally {
    await house.close()
  }
}

/** Processor time that a process has taken so far, seconds. */
function processorSeconds(pid) {
  const words = readFileSync(`/proc/${pid}/stat`, 'utf8').split(') ')[1].split(' ')
  return (Number(words[USER_AT]) + Number(words[SYSTEM_AT])) / TICKS_PER_SECOND
}

async function perSecond(count, work) {
  const began = performance.now()
  await work()
  return (count / (performance.now() - began)) * 1000
}

/** The same rows written straight into the same tables, by as many connections. */
async function bareRows({ cluster }, visits) {
  const { default: postgres } = await import('postgres')
  const sql = postgres(cluster.url('owner'), { max: CONNECTIONS, onnotice: () => {} })
  try {
    await Promise.all(
      visits.map(async ({ id }, place) => {
        for (let at = 0; at < TAPS_EACH; at++)
          await sql`insert into visit_events (id, visit_id, at, device_id, seq, plan_version, body, by)
            select gen_random_uuid(), id, 0, ${`bare-${place}`}, ${at}, 1, '{"kind":"started"}', staff_id
            from visits where id = ${id}`
      }),
    )
  } finally {
    await sql.end()
  }
}

/** Milliseconds from a tap to each tablet that hears of it. */
async function heardAfter(url, cookie, post) {
  const ends = new AbortController()
  const took = []
  let sent = 0
  let missing = 0
  let all
  const heardOne = () => {
    took.push(performance.now() - sent)
    missing--
    if (missing === 0) all()
  }
  const listen = async () => {
    const { body } = await fetch(url, { headers: { cookie }, signal: ends.signal })
    let text = ''
    for await (const part of body.pipeThrough(new TextDecoderStream())) {
      const words = (text + part).split('\n\n')
      text = words.pop()
      for (const word of words) if (word.includes('event: taps')) heardOne()
    }
  }
  const listeners = Array.from({ length: LISTENERS }, () => listen().catch(() => {}))
  await new Promise((resolve) => setTimeout(resolve, SETTLE_MS))
  for (let at = 0; at < HEARD_TAPS; at++) {
    missing = LISTENERS
    const heard = new Promise((resolve) => (all = resolve))
    sent = performance.now()
    await post(at)
    await heard
  }
  ends.abort()
  await Promise.all(listeners)
  return took
}
