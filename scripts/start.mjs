import { spawn } from 'node:child_process'
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { createInterface } from 'node:readline/promises'
import { Cluster, ensurePostgres } from './cluster.mjs'
import { freePort, portFree, ROOT, say, Trouble } from './say.mjs'
import { ensureBuild, ensurePackages, load, migrate } from './setup.mjs'

const HELP = `./start            install, build, start the database, load the demo, serve on 127.0.0.1
./start --empty    the same without demo data; asks for the first owner account
./start --reset    asks, then wipes the data of this folder and starts afresh
./start --help     this page

Environment
  OAK_PORT         port to serve on (default 4310; the next free one if taken)
  OAK_ORIGIN       https address of the TLS proxy in front, where others than this machine
                   shall reach it. Demo accounts are then refused.
  OAK_OWNER_NAME, OAK_OWNER_EMAIL, OAK_OWNER_PASSWORD
                   first owner for --empty when nobody is there to answer`

const flags = process.argv.slice(2)
const runFile = join(ROOT, '.data', 'run.json')

async function ask(question, hidden = false) {
  if (!process.stdin.isTTY) throw new Trouble('Nobody is there to answer. Set OAK_OWNER_NAME, OAK_OWNER_EMAIL and OAK_OWNER_PASSWORD, or use a terminal.')
  const rl = createInterface({ input: process.stdin, output: process.stdout })
  if (hidden) rl._writeToOutput = (s) => { if (s.includes(question)) process.stdout.write(question) }
  try { return (await rl.question(question)).trim() } finally { rl.close(); if (hidden) process.stdout.write('\n') }
}

async function main() {
  if (flags.includes('--help')) { say(HELP); return }
  const unknown = flags.find((f) => !['--empty', '--reset'].includes(f))
  if (unknown) throw new Trouble(`${unknown} is not known. ./start --help lists what is.`)
  mkdirSync(join(ROOT, '.data'), { recursive: true })
  const other = existsSync(runFile) ? JSON.parse(readFileSync(runFile, 'utf8')) : undefined
  if (other && alive(other.pid)) throw new Trouble(`It is already running: ${other.address} (process ${other.pid}). Stop that one with Ctrl-C first.`)
  rmSync(runFile, { force: true })

  const programs = await ensurePostgres()
  await ensurePackages()
  const cluster = new Cluster(programs, 'house')
  if (flags.includes('--reset')) {
    const answer = process.env.OAK_RESET === 'yes' ? 'yes' : await ask('This wipes every client, visit and record of this folder. Type yes to go on: ')
    if (answer !== 'yes') { say('Nothing was wiped.'); return }
    cluster.remove()
  }
  await ensureBuild()
  await cluster.up()
  process.stdout.write('· Bringing the tables up to date ')
  await migrate(cluster.url('owner'))
  say('done')
  const { seedDemo, seedEmpty, hasOwner } = await load('db/demo/seed.ts')
  let accounts = []
  if (flags.includes('--empty')) {
    if (!(await hasOwner(cluster.url('owner')))) {
      const owner = { name: process.env.OAK_OWNER_NAME ?? await ask('Owner\'s name: '), email: process.env.OAK_OWNER_EMAIL ?? await ask('E-mail: '), password: process.env.OAK_OWNER_PASSWORD ?? await ask('Password (12 characters or more): ', true) }
      if (owner.name.length < 1 || !owner.email.includes('@') || owner.password.length < 12) throw new Trouble('A name, an e-mail address and a password of at least 12 characters are needed.')
      await seedEmpty(cluster.url('owner'), owner)
    }
  } else accounts = await seedDemo(cluster.url('owner'), Date.now())

  const wanted = Number(process.env.OAK_PORT ?? 4310)
  const port = (await portFree(wanted)) ? wanted : await freePort(wanted)
  if (port !== wanted) say(`· Port ${wanted} is taken; using ${port}`)
  const address = process.env.OAK_ORIGIN ?? `http://127.0.0.1:${port}`
  const server = spawn(process.execPath, ['--enable-source-maps', '.output/server/index.mjs'], {
    cwd: ROOT, stdio: ['ignore', 'inherit', 'inherit'], detached: false,
    env: { ...process.env, NODE_ENV: 'production', NITRO_HOST: '127.0.0.1', NITRO_PORT: String(port), NUXT_DATABASE_URL: cluster.url('app'), NUXT_SESSION_PASSWORD: cluster.secrets.session, NUXT_ORIGIN: address, NUXT_TELEMETRY_DISABLED: '1' },
  })
  writeFileSync(runFile, JSON.stringify({ pid: process.pid, address }))
  let ending = false
  const end = (code) => {
    if (ending) return
    ending = true
    say('\n· Stopping')
    server.kill('SIGTERM')
    const hard = setTimeout(() => server.kill('SIGKILL'), 5000)
    const finish = () => { clearTimeout(hard); cluster.down(); rmSync(runFile, { force: true }); process.exit(code) }
    if (server.exitCode !== null) finish(); else server.once('exit', finish)
  }
  process.on('SIGINT', () => end(0))
  process.on('SIGTERM', () => end(0))
  server.once('exit', (code) => { if (!ending) { say(`The server ended by itself (${code}).`); end(1) } })
  await ready(`http://127.0.0.1:${port}/api/ready`)
  say(`\nOak Basin is ready: ${address}`)
  if (accounts.length > 0) { say('Demo sign-ins:'); for (const a of accounts) say(`  ${a.email.padEnd(28)} ${a.password.padEnd(18)} ${a.role}, quick code ${a.code}`) }
  say('Ctrl-C stops server and database.')
}

async function ready(url) {
  for (let i = 0; i < 150; i++) {
    try { if ((await fetch(url)).ok) return } catch { /* not up yet */ }
    await new Promise((r) => setTimeout(r, 200))
  }
  throw new Trouble('The server did not become ready within half a minute.')
}
function alive(pid) { try { process.kill(pid, 0); return readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes('start.mjs') } catch { return false } }

main().catch((e) => { say(`\n${e instanceof Trouble ? e.message : e.stack}`); process.exit(1) })
