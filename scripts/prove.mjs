/**
 * Proves the two commands on this machine: `./start`, wait for it, look at it, stop it; `./test`.
 * Both have to succeed.
 * `--from-nothing` first takes away what they install and make: PostgreSQL, Chromium,
 * node_modules, the build, the data of this folder. For a machine that nobody else uses.
 */
import { spawn, spawnSync } from 'node:child_process'
import { rmSync } from 'node:fs'
import { join } from 'node:path'
import { isRoot, ROOT, say, Trouble } from './say.mjs'

if (process.argv.includes('--from-nothing')) {
  if (!isRoot()) throw new Trouble('Taking Debian packages away needs root.')
  say('Taking away PostgreSQL, Chromium, node_modules, build and data')
  const there = spawnSync(
    'sh',
    [
      '-c',
      "dpkg-query -W -f '${Package} ${Status}\\n' 'postgresql*' 'chromium*' | awk '/ok installed/ {print $1}'",
    ],
    { encoding: 'utf8' },
  )
    .stdout.split('\n')
    .filter(Boolean)
  if (there.length > 0) {
    const gone = spawnSync('apt-get', ['purge', '-y', '-q', ...there], {
      stdio: ['ignore', 'ignore', 'inherit'],
      env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
    })
    if (gone.status !== 0) throw new Trouble('The Debian packages could not be taken away.')
  }
  for (const folder of ['node_modules', '.output', '.nuxt', '.data'])
    rmSync(join(ROOT, folder), { recursive: true, force: true })
}

const began = Date.now()
const since = () => `${Math.round((Date.now() - began) / 1000)} s`
await new Promise((resolve, reject) => {
  const child = spawn('./start', [], { cwd: ROOT, stdio: ['ignore', 'pipe', 'inherit'] })
  let heard = ''
  let looked
  child.stdout.on('data', (bytes) => {
    process.stdout.write(bytes)
    heard += String(bytes)
    const address = /is ready: (\S+)/.exec(heard)?.[1]
    if (!address || looked) return
    looked = (async () => {
      for (const path of ['/api/ready', '/sign-in']) {
        const reply = await fetch(`${address}${path}`)
        if (!reply.ok) throw new Trouble(`${path} answers ${reply.status}`)
      }
      say(`./start served the demo after ${since()}`)
      child.kill('SIGINT')
    })().catch((event) => {
      child.kill('SIGINT')
      reject(event)
    })
  })
  child.once('exit', (code) =>
    code === 0 && looked ? resolve() : reject(new Trouble(`./start ended with ${code}`)),
  )
})
say(`./start stopped cleanly after ${since()}`)
const test = spawn('./test', [], { cwd: ROOT, stdio: 'inherit' })
process.exitCode = await new Promise((resolve) => test.once('exit', (code) => resolve(code ?? 1)))
say(process.exitCode === 0 ? `Both commands work; ${since()} in all` : './test failed')
