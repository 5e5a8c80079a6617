import { randomBytes } from 'node:crypto'
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { openMeterBench } from '../devices/meterBench.mjs'
import { openPostOffice } from '../devices/postOffice.mjs'
import { Cluster } from './cluster.mjs'
import { ensurePostgres } from './postgres.mjs'
import { ask, furnish } from './furnish.mjs'
import { keepChild } from './keep.mjs'
import { ROOT, say, toldOfRuns, Trouble } from './say.mjs'
import { safetyCopy } from './dump.mjs'
import { keepDemoToday, keepNightly } from './nightly.mjs'
import { endChild, keepAlive, runServer, whenReady } from './server.mjs'
import { ensureBuild, ensurePackages, migrate, waitsForUpdate } from './setup.mjs'
import { ensureBalancer } from './wide/balancer.mjs'
import { isPair, keepPair, leading, Pair } from './wide/pair.mjs'
import { runWide } from './wide/wideHouse.mjs'

const HELP = `./start            install, build, start the database, load the demo, serve on 127.0.0.1;
                   a folder that holds a house of your own is served as it is
./start --empty    an empty house instead of the demo; prints the link of its first hour
./start --wide     the house in two of everything: two databases of which one follows the other and
                   takes over, two servers, a balancer in front (docs/scale.md); it stays so
./start --alone    one database and one server again
./start --reset    asks, keeps a copy in .data/kept, then wipes this folder and starts afresh
./start --help     this page

Environment
  OAK_PORT         port to serve on (default 4310; the next free one if taken)
  OAK_DATA         name of the data folder, for more than one house (default: house)
  OAK_METERS       host:port of the meters' bench (docs/formats/meter-line.md); the demo brings a
                   simulated one
  OAK_POST         host:port of the post office (docs/formats/post-line.md); the demo brings a
                   simulated one, which sends nothing anywhere
  OAK_ORIGIN       https address of the TLS proxy in front, where others than this machine
                   shall reach it. Demo accounts are then refused.
  NUXT_TRUSTED_PROXY
                   the address of that proxy: tries at signing in are then counted by the
                   last address it writes into X-Forwarded-For, not by its own
  OAK_OWNER_NAME, OAK_OWNER_EMAIL, OAK_OWNER_PASSWORD
                   first owner for --empty where no browser is to begin it`

const FLAGS = ['--empty', '--reset', '--wide', '--alone']
const FIRST_PORT = 4310
const flags = process.argv.slice(2)
const dataName = process.env.OAK_DATA ?? 'house'
const runFile = join(ROOT, '.data', `run-${dataName}.json`)

function checkAsked() {
  if (process.env.OAK_ORIGIN && !/^https:\/\/[^/]+$/.test(process.env.OAK_ORIGIN))
    throw new Trouble(
      'OAK_ORIGIN is the https address of the TLS proxy, without a path: https://rooms.example.',
    )
  if (!/^[a-z0-9][a-z0-9-]{0,40}$/.test(dataName))
    throw new Trouble('OAK_DATA is a plain name: small letters, digits and hyphens.')
  const unknown = flags.find((flag) => !FLAGS.includes(flag))
  if (unknown) throw new Trouble(`${unknown} is not known. ./start --help lists what is.`)
}

async function main() {
  toldOfRuns(keepChild)
  if (flags.includes('--help')) {
    say(HELP)
    return
  }
  checkAsked()
  mkdirSync(join(ROOT, '.data'), { recursive: true })
  const other = lastRun()
  if (other && alive(other.pid))
    throw new Trouble(
      `It is already running: ${other.address} (process ${other.pid}). Stop that one with Ctrl-C first.`,
    )
  // What a killed start has left running is ended first: nothing serves the same data twice.
  if (other) await endLeftBehind(other)
  rmSync(runFile, { force: true })
  const programs = await ensurePostgres()
  await ensurePackages()
  const cluster = await standing(programs)
  if (flags.includes('--reset') && !(await wipe(cluster))) return
  await ensureBuild()
  await cluster.up()
  try {
    await open(cluster)
  } catch (error) {
    cluster.down()
    throw error
  }
}

/** The house's database, or its two. */
async function standing(programs) {
  if (flags.includes('--wide') && flags.includes('--alone'))
    throw new Trouble('--wide and --alone are two ways: name one of them.')
  if (flags.includes('--alone') && isPair(programs, dataName))
    await new Pair(programs, dataName).part()
  const wide = flags.includes('--wide') || isPair(programs, dataName)
  if (!wide) return new Cluster(programs, dataName)
  await ensureBalancer()
  return new Pair(programs, dataName)
}

async function wipe(cluster) {
  const question = 'This wipes every client, visit and record of this folder. Type yes to go on: '
  const answer = process.env.OAK_RESET === 'yes' ? 'yes' : await ask(question)
  if (answer !== 'yes') {
    say('Nothing was wiped.')
    return false
  }
  if (cluster.there()) {
    await cluster.up()
    sayKept('before it goes', await safetyCopy(leading(cluster), `${dataName}-before-reset`))
  }
  cluster.remove()
  return true
}

/** Where a copy lies and how it opens: with the house's passphrase, or one that is shown this once. */
function sayKept(when, { file, passphrase }) {
  say(`· Kept ${when}: ${file}`)
  if (passphrase) say(`  It opens with: ${passphrase}   (shown this once: write it down)`)
}

/** Where a device is spoken to: as it was named, else a stand-in in the demo, else nowhere. */
async function doorOf(named, isDemo, openStandIn) {
  if (named || !isDemo) return { door: named, opened: undefined }
  const opened = await openStandIn()
  return { door: `127.0.0.1:${opened.port}`, opened }
}

/** Tables, data, server: from here on a failure also takes the database down again. */
async function open(cluster) {
  // A newer version changes tables only after what they hold is kept.
  if (await waitsForUpdate(cluster.url('owner')))
    sayKept('before the update', await safetyCopy(leading(cluster), `${dataName}-before-update`))
  process.stdout.write('· Bringing the tables up to date ')
  await migrate(cluster.url('owner'))
  say('done')
  const { accounts, waits } = await furnish(cluster.url('owner'), flags.includes('--empty'))
  // Opens the first hour, to whoever reads this terminal and to nobody else.
  const setupKey = waits ? randomBytes(24).toString('base64url') : ''
  const wanted = Number(process.env.OAK_PORT ?? FIRST_PORT)
  const isDemo = accounts.length > 0
  // The demo has simulated meters and a simulated post office; real ones are named from outside.
  const bench = await doorOf(process.env.OAK_METERS, isDemo, openMeterBench)
  const office = await doorOf(process.env.OAK_POST, isDemo, openPostOffice)
  const address = process.env.OAK_ORIGIN
  const told = { wanted, address, meters: bench.door, post: office.door, setupKey }
  const run = await (cluster instanceof Pair ? runWide : runAlone)(cluster, told)
  if (run.port !== wanted) say(`· Port ${wanted} is taken; using ${run.port}`)
  const note = () =>
    writeFileSync(
      runFile,
      JSON.stringify({
        pid: process.pid,
        address: run.address,
        servers: run.kept.map(({ child }) => child.pid),
      }),
    )
  note()
  const up = cluster instanceof Pair ? keepPair(cluster, { everyMs: LOOK_MS }) : keepUp(cluster)
  const clocks = [keepNightly(cluster, dataName), up]
  if (isDemo) clocks.push(keepDemoToday(cluster.url('owner')))
  endingOf({ cluster, run, doors: [bench.opened, office.opened], clocks, note })
  say(`\nOak Basin is ready: ${run.address}`)
  if (waits) say(`Begin your house here, once:\n  ${run.address}/first-hour#${setupKey}`)
  if (accounts.length > 0) say('Demo sign-ins:')
  for (const { email, password, role, code } of accounts)
    say(`  ${email.padEnd(28)} ${password.padEnd(18)} ${role}, quick code ${code}`)
  say('Ctrl-C stops server and database.')
}

/** One server, ready. */
async function runAlone(cluster, told) {
  const run = await runServer(cluster, told)
  await whenReady(run.port, run.child)
  const { port, address } = run
  return { kept: [run], port, address, close: () => endChild(run.child) }
}

const LOOK_MS = 3000
/** A database that ended by itself, or was killed, is brought back, and that is said. */
function keepUp(cluster) {
  let busy = false
  const timer = setInterval(async () => {
    if (busy || cluster.running()) return
    busy = true
    try {
      say('The database ended by itself; it is started again.')
      await cluster.up()
      say('The database is back.')
    } catch (error) {
      say(error.message)
    } finally {
      busy = false
    }
  }, LOOK_MS)
  return () => clearInterval(timer)
}

const LEFT_MS = 5000
/** What a start runs beside its databases. */
const OURS = /\.output\/server\/index\.mjs|balancer\.cfg/
/** Ends the servers of an earlier start that was killed; their database is taken over. */
async function endLeftBehind({ servers = [] }) {
  for (const server of servers) await endServer(server)
}
async function endServer(server) {
  const ours = () => {
    try {
      return OURS.test(readFileSync(`/proc/${server}/cmdline`, 'utf8'))
    } catch {
      return false
    }
  }
  if (!server || !ours()) return
  say('· A server of an earlier start is still running; it is ended')
  process.kill(server, 'SIGTERM')
  for (let waited = 0; ours() && waited < LEFT_MS; waited += 100)
    await new Promise((done) => setTimeout(done, 100))
  if (ours()) process.kill(server, 'SIGKILL')
}

/** How it ends: by Ctrl-C, by being told to, or because the server ended by itself; once. */
function endingOf({ cluster, run, doors, clocks, note }) {
  let ending = false
  const end = async (code) => {
    if (ending) return
    ending = true
    say('\n· Stopping')
    for (const stop of clocks) stop()
    await run.close()
    for (const door of doors) await door?.close()
    cluster.down()
    rmSync(runFile, { force: true })
    process.exit(code)
  }
  process.on('SIGINT', () => void end(0))
  process.on('SIGTERM', () => void end(0))
  for (const one of run.kept)
    keepAlive(one, {
      ending: () => ending,
      begunAgain: note,
      gaveUp: (code) => {
        say(`The server ended by itself again and again (${code}).`)
        void end(1)
      },
    })
}

/** What an earlier start left behind; a half-written note counts as none. */
function lastRun() {
  try {
    return existsSync(runFile) ? JSON.parse(readFileSync(runFile, 'utf8')) : undefined
  } catch {
    return undefined
  }
}
function alive(pid) {
  try {
    process.kill(pid, 0)
    return readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes('start.mjs')
  } catch {
    return false
  }
}

main().catch((event) => {
  say(`\n${event instanceof Trouble ? event.message : event.stack}`)
  process.exit(1)
})
