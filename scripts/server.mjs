import { spawn } from 'node:child_process'
import { freePort, portFree, ROOT, Trouble } from './say.mjs'

/**
 * @typedef {object} RunOptions
 * @property {number} wanted the port, or the next free one
 * @property {string} [address] what the browser sees; defaults to the loopback address
 * @property {string} [meters] host:port of a bench of meters
 * @property {boolean} [quiet] print errors only
 * @property {(text: string) => void} [heard] called with all that it prints, instead of letting it
 *   print
 * @property {Record<string, string>} [env]
 */

/**
 * Runs the built server against a cluster.
 * @param {any} cluster
 * @param {RunOptions} options
 * @returns the child, its port and its address once `/api/ready` answers
 */
export async function runServer(
  cluster,
  { wanted, address, meters, quiet = false, heard, env = {} },
) {
  const port = (await portFree(wanted)) ? wanted : await freePort(wanted)
  const own = address ?? `http://127.0.0.1:${port}`
  const child = spawn(process.execPath, ['--enable-source-maps', '.output/server/index.mjs'], {
    cwd: ROOT,
    stdio: heard ? ['ignore', 'pipe', 'pipe'] : ['ignore', quiet ? 'ignore' : 'inherit', 'inherit'],
    env: {
      ...process.env,
      NODE_ENV: 'production',
      NITRO_HOST: '127.0.0.1',
      NITRO_PORT: String(port),
      NUXT_DATABASE_URL: cluster.url('app'),
      NUXT_SESSION_PASSWORD: cluster.secrets.session,
      NUXT_ORIGIN: own,
      NUXT_TELEMETRY_DISABLED: '1',
      ...(meters ? { NUXT_METERS: meters } : {}),
      ...env,
    },
  })
  for (const stream of [child.stdout, child.stderr])
    stream?.on('data', (bytes) => heard(String(bytes)))
  return { child, port, address: own }
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
