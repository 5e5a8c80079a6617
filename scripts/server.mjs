import { spawn, spawnSync } from 'node:child_process'
import { join } from 'node:path'
import { keepChild } from './keep.mjs'
import { freePort, isRoot, portFree, ROOT, say, Trouble } from './say.mjs'

const ENTRY = '.output/server/index.mjs'
/** So often within so long a server that ended by itself is started again. */
const AGAIN_MOST = 3
const AGAIN_MS = 10 * 60_000

/**
 * @typedef {object} RunOptions
 * @property {number} wanted the port, or the next free one
 * @property {string} [address] what the browser sees; defaults to the loopback address
 * @property {string} [meters] host:port of a bench of meters
 * @property {string} [post] host:port of a post office
 * @property {string} [setupKey] opens the first hour of a house that nobody has begun
 * @property {boolean} [quiet] print errors only
 * @property {(text: string) => void} [heard] called with all that it prints, instead of letting it
 *   print
 * @property {Record<string, string>} [env]
 */

/**
 * Room for what lives no longer than a request: with Node's own sixteen megabytes a tenth of the
 * server's time goes into carrying half-made replies about.
 */
const YOUNG_SPACE = '--max-semi-space-size=32'

/**
 * Runs the built server against a cluster.
 * @param {any} cluster
 * @param {RunOptions} options
 * @returns the child, its port and its address once `/api/ready` answers
 */
export async function runServer(
  cluster,
  { wanted, address, meters, post, setupKey, quiet = false, heard, env = {} },
) {
  const port = (await portFree(wanted)) ? wanted : await freePort(wanted)
  const own = address ?? `http://127.0.0.1:${port}`
  const begin = () => {
    const child = keepChild(spawn(process.execPath, [ENTRY], { ...options }))
    for (const stream of [child.stdout, child.stderr])
      stream?.on('data', (bytes) => heard(String(bytes)))
    return child
  }
  const options = {
    cwd: ROOT,
    ...nobody(),
    stdio: heard ? ['ignore', 'pipe', 'pipe'] : ['ignore', quiet ? 'ignore' : 'inherit', 'inherit'],
    env: {
      ...process.env,
      NODE_ENV: 'production',
      NODE_OPTIONS: [YOUNG_SPACE, process.env.NODE_OPTIONS].filter(Boolean).join(' '),
      NITRO_HOST: '127.0.0.1',
      NITRO_PORT: String(port),
      NUXT_DATABASE_URL: cluster.url('app'),
      NUXT_SESSION_PASSWORD: cluster.secrets.session,
      NUXT_ORIGIN: own,
      NUXT_TELEMETRY_DISABLED: '1',
      ...(meters ? { NUXT_METERS: meters } : {}),
      ...(post ? { NUXT_POST: post } : {}),
      NUXT_SETUP_KEY: setupKey ?? '',
      ...env,
    },
  }
  return { child: begin(), begin, port, address: own }
}

/**
 * Started as root, the server itself runs as nobody: it needs its own files and the network, no
 * more. Where nobody cannot reach these files it stays root, and that is said.
 */
export function nobody() {
  if (!isRoot()) return {}
  const reaches = (file) =>
    spawnSync('runuser', ['-u', 'nobody', '--', 'test', '-r', file], { stdio: 'ignore' }).status ===
    0
  if (!reaches(join(ROOT, ENTRY)) || !reaches(process.execPath)) {
    say('· The server runs as root: nobody else can read this folder')
    return {}
  }
  const id = (flag) => Number(spawnSync('id', [flag, 'nobody'], { encoding: 'utf8' }).stdout)
  return { uid: id('-u'), gid: id('-g') }
}

/**
 * Starts a server again that ended by itself, a few times within a while; then it gives up.
 * @param run what `runServer` gave; its child is replaced
 * @param told.ending whether it is to end; told.gaveUp what happens when it ends too often
 */
export function keepAlive(run, { ending, gaveUp, begunAgain = () => {} }) {
  const ends = []
  const watch = (child) =>
    child.once('exit', (code, signal) => {
      if (ending()) return
      ends.push(Date.now())
      if (ends.filter((at) => Date.now() - at < AGAIN_MS).length > AGAIN_MOST) {
        gaveUp(code ?? signal)
        return
      }
      say(`The server ended by itself (${code ?? signal}); it is started again.`)
      run.child = run.begin()
      begunAgain()
      watch(run.child)
    })
  watch(run.child)
}

export async function whenReady(port, child) {
  for (let i = 0; i < 300; i++) {
    if (child && child.exitCode !== null)
      throw new Trouble(`The server ended by itself (${child.exitCode}).`)
    try {
      if ((await fetch(`http://127.0.0.1:${port}/api/ready`)).ok) return
    } catch {
      /* not up yet */
    }
    await new Promise((done) => setTimeout(done, 100))
  }
  throw new Trouble('The server did not become ready within half a minute.')
}

/** Asks a child to end, and ends it if it does not. Only what was started here is ever ended. */
export function endChild(child, signal = 'SIGTERM') {
  if (child.exitCode !== null || child.signalCode !== null) return Promise.resolve()
  return new Promise((resolve) => {
    const hard = setTimeout(() => child.kill('SIGKILL'), 5000)
    child.once('exit', () => {
      clearTimeout(hard)
      resolve()
    })
    child.kill(signal)
  })
}
