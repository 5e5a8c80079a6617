import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { createInterface } from 'node:readline/promises'
import { openMeterBench } from '../devices/meterBench.mjs'
import { Cluster, ensurePostgres } from './cluster.mjs'
import { ROOT, say, Trouble } from './say.mjs'
import { endChild, runServer, whenReady } from './server.mjs'
import { ensureBuild, ensurePackages, load, migrate } from './setup.mjs'

const HELP = `./start            install, build, start the database, load the demo, serve on 127.0.0.1
./start --empty    the same without demo data; asks for the first owner account
./start --reset    asks, then wipes the data of this folder and starts afresh
./start --help     this page

Environment
  OAK_PORT         port to serve on (default 4310; the next free one if taken)
  OAK_METERS       host:port of the meters' bench (docs/formats/meter-line.md); the demo brings a simulated one
  OAK_ORIGIN       https address of the TLS proxy in front, where others than this machine
                   shall reach it. Demo accounts are then refused.
  OAK_OWNER_NAME, OAK_OWNER_EMAIL, OAK_OWNER_PASSWORD
                   first owner for --empty when nobody is there to answer`

const flags = process.argv.slice(2)
const runFile = join(ROOT, '.data', 'run.json')

async function ask(question, hidden = false) {
  if (!process.stdin.isTTY)
    throw new Trouble(
      'Nobody is there to answer. Set OAK_OWNER_NAME, OAK_OWNER_EMAIL and OAK_OWNER_PASSWORD, or use a terminal.',
    )
  const rl = createInterface({ input: process.stdin, output: process.stdout })
  if (hidden)
    rl._writeToOutput = (s) => {
      if (s.includes(question)) process.stdout.write(question)
    }
  try {
    return (await rl.question(question)).trim()
  } finally {
    rl.close()
    if (hidden) process.stdout.write('\n')
  }
}

async function main() {
  if (flags.includes('--help')) {
    say(HELP)
    return
  }
  if (process.env.OAK_ORIGIN && !/^https:\/\/[^/]+$/.test(process.env.OAK_ORIGIN))
    throw new Trouble(
      'OAK_ORIGIN is the https address of the TLS proxy, without a path: https://rooms.example.',
    )
  const unknown = flags.find((f) => !['--empty', '--reset'].includes(f))
  if (unknown) throw new Trouble(`${unknown} is not known. ./start --help lists what is.`)
  mkdirSync(join(ROOT, '.data'), { recursive: true })
  const other = lastRun()
  if (other && alive(other.pid))
    throw new Trouble(
      `It is already running: ${other.address} (process ${other.pid}). Stop that one with Ctrl-C first.`,
    )
  rmSync(runFile, { force: true })

  const programs = await ensurePostgres()
  await ensurePackages()
  const cluster = new Cluster(programs, 'house')
  if (flags.includes('--reset')) {
    const answer =
      process.env.OAK_RESET === 'yes'
        ? 'yes'
        : await ask('This wipes every client, visit and record of this folder. Type yes to go on: ')
    if (answer !== 'yes') {
      say('Nothing was wiped.')
      return
    }
    cluster.remove()
  }
  await ensureBuild()
  await cluster.up()
  try {
    await furnish(cluster)
  } catch (e) {
    cluster.down()
    throw e
  }
}

/** Tables, data, server: from here on a failure also takes the database down again. */
async function furnish(cluster) {
  process.stdout.write('· Bringing the tables up to date ')
  await migrate(cluster.url('owner'))
  say('done')
  const { seedDemo, seedEmpty, hasOwner } = await load('db/demo/seed.ts')
  let accounts = []
  if (flags.includes('--empty')) {
    if (!(await hasOwner(cluster.url('owner')))) {
      const owner = {
        name: process.env.OAK_OWNER_NAME ?? (await ask("Owner's name: ")),
        email: process.env.OAK_OWNER_EMAIL ?? (await ask('E-mail: ')),
        password:
          process.env.OAK_OWNER_PASSWORD ?? (await ask('Password (12 characters or more): ', true)),
      }
      if (owner.name.length < 1 || !owner.email.includes('@') || owner.password.length < 12)
        throw new Trouble(
          'A name, an e-mail address and a password of at least 12 characters are needed.',
        )
      await seedEmpty(cluster.url('owner'), owner)
    }
  } else accounts = await seedDemo(cluster.url('owner'), Date.now())

  const wanted = Number(process.env.OAK_PORT ?? 4310)
  // The demo has a bench of simulated meters; a real one is named by OAK_METERS.
  const bench = accounts.length > 0 && !process.env.OAK_METERS ? await openMeterBench() : undefined
  const {
    child: server,
    port,
    address,
  } = await runServer(cluster, {
    wanted,
    address: process.env.OAK_ORIGIN,
    meters: process.env.OAK_METERS ?? (bench && `127.0.0.1:${bench.port}`),
  })
  if (port !== wanted) say(`· Port ${wanted} is taken; using ${port}`)
  writeFileSync(runFile, JSON.stringify({ pid: process.pid, address }))
  let ending = false
  const end = async (code) => {
    if (ending) return
    ending = true
    say('\n· Stopping')
    await endChild(server)
    await bench?.close()
    cluster.down()
    rmSync(runFile, { force: true })
    process.exit(code)
  }
  process.on('SIGINT', () => void end(0))
  process.on('SIGTERM', () => void end(0))
  server.once('exit', (code) => {
    if (!ending) {
      say(`The server ended by itself (${code}).`)
      void end(1)
    }
  })
  try {
    await whenReady(port, server)
  } catch (e) {
    say(e.message)
    await end(1)
    return
  }
  say(`\nOak Basin is ready: ${address}`)
  if (accounts.length > 0) {
    say('Demo sign-ins:')
    for (const a of accounts)
      say(`  ${a.email.padEnd(28)} ${a.password.padEnd(18)} ${a.role}, quick code ${a.code}`)
  }
  say('Ctrl-C stops server and database.')
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

main().catch((e) => {
  say(`\n${e instanceof Trouble ? e.message : e.stack}`)
  process.exit(1)
})
