/**
 * Walks a fail-over, three times in a row, in a throw-away house of two of everything: tablets tap
 * through the balancer, the database that leads is killed under them, the other takes over, the first
 * comes back as the one that follows; between two of the times a server is killed too. In the end each
 * tap that was made stands once, in the database that leads and in the one that follows.
 */
import { readFileSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { performance } from 'node:perf_hooks'
import { backUp, connect, digestsOf } from '../dump.mjs'
import { say } from '../say.mjs'
import { endChild, whenReady } from '../server.mjs'
import { ensureBuild, ensurePackages, load } from '../setup.mjs'
import { Listener, Tablet } from './tappers.mjs'
import { openWide } from './wideHouse.mjs'

const TIMES = 3
const TABLETS = 6
const BEFORE_MS = 4000
const CUT_MS = 1500
const wait = (ms) => new Promise((done) => setTimeout(done, ms))
const seconds = (since) => `${((performance.now() - since) / 1000).toFixed(1)} s`

await ensurePackages()
await ensureBuild()
const house = await openWide('wide-walk')
process.on('SIGINT', () => void house.close().then(() => process.exit(1)))
try {
  process.exitCode = (await walk()) ? 0 : 1
} finally {
  await house.close()
}

async function walk() {
  Object.assign(process.env, {
    OAK_TEST_URL: house.address,
    OAK_TEST_OWNER_DB: house.pair.url('owner'),
  })
  const { tablets, listener, other } = await people()
  let ending = false
  const taps = Promise.all(tablets.map((tablet) => tablet.run(() => ending)))
  const hears = Promise.all([listener.run(), other.run()])
  for (let time = 1; time <= TIMES; time++) {
    await wait(BEFORE_MS)
    await failOver(time, tablets)
    if (time < TIMES) await killServer()
  }
  await wait(BEFORE_MS)
  const others = { here: listener.others, there: other.others }
  ending = true
  await taps
  await wait(BEFORE_MS / 2)
  for (const one of [listener, other]) one.close()
  await hears
  return judge(tablets, [listener, other], others)
}

/** Six tablets, each in a visit of its own, and two that listen to the first, one on each server. */
async function people() {
  const { signedIn } = await load('tests/support/http.ts')
  const { tap, treating, bundleOf } = await load('tests/support/visit.ts')
  const { ownerCookie } = await load('bench/owner.mjs')
  const owner = await signedIn(house.address, 'owner')
  const tablets = []
  for (let at = 0; at < TABLETS; at++) {
    const id = await treating(owner, 'owner', `other-${at}`)
    const [{ steps }] = (await bundleOf(owner, id)).plans
    const make = (place) =>
      tap(
        place % 2 === 0
          ? { kind: 'stepDone', key: steps[place % steps.length].key, cue: true }
          : { kind: 'counted', key: steps[place % steps.length].key, region: null, by: 1 },
      )
    tablets.push(new Tablet(owner, id, make))
  }
  const [{ visit }] = tablets
  const cookie = await ownerCookie(house)
  const [listener, other] = house.runs.map(
    ({ port }, at) =>
      new Listener(
        `http://127.0.0.1:${port}/api/visits/${visit}/stream?tablet=wall%20${at}`,
        `${house.address}/api/visits/${visit}/events`,
        cookie,
      ),
  )
  return { tablets, listener, other }
}

/** The database's process that sends the other one what is written. */
function senderOf({ leader }) {
  return Number(leader.sql('SELECT pid FROM pg_stat_replication').trim())
}

/**
 * The line between the two is cut; a moment later the database that leads goes as a machine would, and
 * the other takes over. What was acknowledged after the cut alone would be lost.
 */
async function failOver(time, tablets) {
  const { pair } = house
  const acknowledged = () => tablets.reduce((sum, tablet) => sum + tablet.acknowledged, 0)
  const before = acknowledged()
  const pid = Number(readFileSync(join(pair.leader.data, 'postmaster.pid'), 'utf8').split('\n')[0])
  const sender = senderOf(pair)
  process.kill(sender, 'SIGSTOP')
  await wait(CUT_MS)
  const began = performance.now()
  for (const one of [pid, sender]) process.kill(one, 'SIGKILL')
  pair.takeOver()
  const over = seconds(began)
  while (acknowledged() < before + TABLETS * 2) await wait(20)
  const again = seconds(began)
  await pair.join()
  say(
    `${time}: database killed after ${before} taps; the other leads after ${over}, tablets are heard ` +
      `again after ${again}, in step again after ${seconds(began)}`,
  )
}

/** A server goes as a process that is killed goes, and is started again. */
async function killServer() {
  const [run] = house.runs
  await endChild(run.child, 'SIGKILL')
  await wait(BEFORE_MS / 2)
  run.child = run.begin()
  await whenReady(run.port, run.child)
}

async function judge(tablets, listeners, others) {
  const wrong = []
  const kept = await keptTaps(tablets.map(({ visit }) => visit))
  const made = tablets.flatMap((tablet) => tablet.made)
  for (const { visit, made: own, refused } of tablets) {
    const stand = kept.filter((row) => row.visit === visit).map(({ id }) => id)
    const lost = own.filter((id) => !stand.includes(id))
    if (lost.length > 0) wrong.push(`${lost.length} taps are lost`)
    if (stand.length !== new Set(stand).size) wrong.push('a tap stands twice')
    if (refused.length > 0) wrong.push(`refused: ${refused[0]}`)
  }
  for (const { heard } of listeners) {
    const missed = tablets[0].made.filter((id) => !heard.has(id))
    if (missed.length > 0) wrong.push(`${missed.length} taps were never heard of by a listener`)
  }
  if (![others.here, others.there].every((names) => names.length === 1))
    wrong.push(`the two who listen do not see each other: ${JSON.stringify(others)}`)
  // Nobody writes any more: what is in one is to be in the other.
  await house.rest()
  wrong.push(...(await sameInBoth()))
  say(
    `${made.length} taps made and acknowledged by ${TABLETS} tablets, longest wait of one ` +
      `${(Math.max(...tablets.map(({ longest }) => longest)) / 1000).toFixed(1)} s; ` +
      `lines opened by the two who listen: ${listeners.map(({ lines }) => lines).join(' and ')}`,
  )
  for (const word of wrong) say(`WRONG: ${word}`)
  say(wrong.length === 0 ? 'None lost, none doubled.' : 'Not as it should be.')
  return wrong.length === 0
}

async function keptTaps(visits) {
  const sql = await connect(house.pair.url('owner'))
  try {
    return await sql`select id, visit_id as visit from visit_events where visit_id in ${sql(visits)}`
  } finally {
    await sql.end()
  }
}

/** The one that follows holds the same to the row, and a backup can be made of it. */
async function sameInBoth() {
  const { leader, follower } = house.pair
  const folder = mkdtempSync(join(tmpdir(), 'oak-wide-'))
  try {
    const [one, two] = [await digestsOf(leader), await digestsOf(follower)]
    const { bytes } = await backUp(leader, folder, 'four words of a walk', { of: follower })
    say(`A backup of the one that follows: ${(bytes / 1e6).toFixed(1)} MB`)
    return JSON.stringify(one) === JSON.stringify(two) ? [] : ['the two databases differ']
  } finally {
    rmSync(folder, { recursive: true, force: true })
  }
}
