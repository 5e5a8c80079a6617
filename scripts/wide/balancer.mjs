import { spawn } from 'node:child_process'
import { existsSync, writeFileSync } from 'node:fs'
import { keepChild } from '../keep.mjs'
import { debian, Trouble } from '../say.mjs'
import { nobody } from '../server.mjs'

const PROGRAM = '/usr/sbin/haproxy'
const UP_TRIES = 100
/** More tablets than any house has, and few enough for what a process may open. */
const CONNECTIONS = 400
const LOOK_MS = 50

/** Sees to a balancer of Debian's packages. */
export async function ensureBalancer() {
  if (existsSync(PROGRAM)) return
  await debian(['haproxy'], 'haproxy')
  if (!existsSync(PROGRAM))
    throw new Trouble('haproxy was installed but is not where it should be.')
}

/**
 * What the balancer is told: whoever asks goes to the server that has least to do; one that does not
 * say that it can write is passed over until it does. A request is given to another server only while
 * the first has not taken it: nothing is done twice. The line on which taps arrive stays open.
 * @param proxy the TLS proxy in front, if any: where a request comes from is its to say
 */
const words = (port, servers, proxy) => `global
  maxconn ${CONNECTIONS}
defaults
  mode http
  option http-keep-alive
  option forwardfor${proxy ? ` except ${proxy}` : ''}
  option redispatch 1
  retries 3
  retry-on conn-failure
  timeout connect 2s
  timeout client 90s
  timeout server 90s
  timeout http-request 30s
  timeout queue 5s
frontend house
  bind 127.0.0.1:${port}
  default_backend servers
backend servers
  balance leastconn
  option httpchk GET /api/ready
  default-server check inter 500 fastinter 200 fall 2 rise 1
${servers.map((server, at) => `  server s${at} 127.0.0.1:${server}`).join('\n')}
`

/**
 * Runs the balancer in front of servers on this machine.
 * @param file where its settings are written
 * @param servers the servers' ports
 * @returns its child, how it is begun again, and its address
 */
export async function runBalancer(file, port, servers) {
  await ensureBalancer()
  writeFileSync(file, words(port, servers, process.env.NUXT_TRUSTED_PROXY), { mode: 0o644 })
  const begin = () =>
    keepChild(
      spawn(PROGRAM, ['-db', '-q', '-f', file], {
        ...nobody(),
        stdio: ['ignore', 'ignore', 'ignore'],
      }),
    )
  const run = { child: begin(), begin, address: `http://127.0.0.1:${port}` }
  for (let tries = UP_TRIES; tries > 0; tries--) {
    if (run.child.exitCode !== null) throw new Trouble(`The balancer did not start; see ${file}.`)
    const answer = await fetch(`${run.address}/api/ready`).catch(() => undefined)
    if (answer?.ok) return run
    await new Promise((done) => setTimeout(done, LOOK_MS))
  }
  throw new Trouble('The balancer does not reach any server.')
}
