import { spawn, spawnSync } from 'node:child_process'
import { createServer } from 'node:net'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'

export const ROOT = join(dirname(fileURLToPath(import.meta.url)), '..')
/**
 * How a long computation is run: room for what it holds, and for what it drops at once, so that the
 * sweeping up after it takes less of its time.
 */
export const LONG_WORK = '--max-old-space-size=6144 --max-semi-space-size=128'
export const say = (text) => process.stdout.write(`${text}\n`)
export class Trouble extends Error {}

/**
 * Runs a command with its output hidden unless it fails; prints a dot every few seconds so that a
 * long step is seen to live.
 */
let steps = 0
/** A command that takes a while, with its title and dots; beside another one it is said as it ends. */
export async function step(title, command, args, options = {}) {
  const began = Date.now()
  const alone = steps++ === 0
  if (alone) process.stdout.write(`· ${title} `)
  const dots = setInterval(() => alone && process.stdout.write('.'), 4000)
  try {
    const { code, output } = await run(command, args, options)
    if (code !== 0)
      throw new Trouble(`${title} failed (${command} ${args.join(' ')}).\n${output.slice(-4000)}`)
    const done = `done, ${Math.round((Date.now() - began) / 1000)} s\n`
    process.stdout.write(alone ? ` ${done}` : `\n· ${title} ${done}`)
    return output
  } finally {
    steps--
    clearInterval(dots)
  }
}

const SHARE_STEP = 10
/**
 * Work of our own that may take long: its title, then how far it is in tens of per cent, or a dot every
 * few seconds where nobody knows; it may be left with Ctrl-C, and leaves nothing half done.
 * @param work is given a function that is told how much of how much is done
 */
export async function task(title, work) {
  const began = Date.now()
  process.stdout.write(`· ${title} `)
  let shown = 0
  const far = (done, whole) => {
    const share = whole > 0 ? Math.floor((done / whole) * (100 / SHARE_STEP)) * SHARE_STEP : 0
    if (share > shown && share < 100) process.stdout.write(`${share} % `)
    shown = Math.max(shown, share)
  }
  const dots = setInterval(() => process.stdout.write('.'), 4000)
  try {
    const result = await work(far)
    process.stdout.write(`done, ${Math.round((Date.now() - began) / 1000)} s\n`)
    return result
  } catch (error) {
    process.stdout.write('stopped\n')
    throw error
  } finally {
    clearInterval(dots)
  }
}

let onRun = () => {}
/** Told of every child that is run: who keeps them wants to know. */
export const toldOfRuns = (told) => {
  onRun = told
}
const running = new Set()
/** Ends whatever is being run here, with all that it started. */
export function endRunning(signal = 'SIGTERM') {
  for (const child of running) endGroup(child, signal)
}
function endGroup({ pid }, signal) {
  try {
    process.kill(-pid, signal)
  } catch {
    /* gone already */
  }
}

/** @param options as of spawn; `endAfterMs`: it is ended after so long, and counts as failed */
export function run(command, args, { endAfterMs, ...options } = {}) {
  return new Promise((resolve, reject) => {
    const child = spawn(command, args, {
      cwd: ROOT,
      stdio: ['ignore', 'pipe', 'pipe'],
      // A group of its own: whoever ends it ends what it started too.
      detached: true,
      ...options,
    })
    running.add(child)
    onRun(child)
    const ending = endAfterMs && setTimeout(() => endGroup(child, 'SIGKILL'), endAfterMs)
    child.once('close', () => {
      clearTimeout(ending)
      running.delete(child)
    })
    let output = ''
    child.stdout.on('data', (chunk) => {
      output += chunk
    })
    child.stderr.on('data', (chunk) => {
      output += chunk
    })
    child.on('error', (error) =>
      reject(new Trouble(`${command} could not be started: ${error.message}`)),
    )
    child.on('close', (code) => resolve({ code: code ?? 1, output }))
  })
}

export const isRoot = () => process.getuid?.() === 0
export const has = (command) =>
  spawnSync('sh', ['-c', `command -v ${command}`], { stdio: 'ignore' }).status === 0

export function portFree(port) {
  return new Promise((resolve) => {
    const probe = createServer()
    probe.once('error', () => resolve(false))
    probe.listen(port, '127.0.0.1', () => probe.close(() => resolve(true)))
  })
}
export async function freePort(from) {
  for (let port = from; port < from + 200; port++) if (await portFree(port)) return port
  throw new Trouble(`No free port between ${from} and ${from + 200}.`)
}

/** Debian packages, installed as root or through sudo; otherwise says exactly what to run. */
export async function debian(packages, missing) {
  const install = [
    'apt-get',
    'install',
    '-y',
    '--no-install-recommends',
    '-o',
    'Dpkg::Options::=--force-confold',
    ...packages,
  ]
  const asRoot = isRoot()
    ? []
    : has('sudo') && spawnSync('sudo', ['-n', 'true'], { stdio: 'ignore' }).status === 0
      ? ['sudo', '-n']
      : undefined
  if (!asRoot || !has('apt-get'))
    throw new Trouble(
      `${missing} is missing. Run this once, then start again:\n  sudo apt-get update && sudo ${install.join(' ')}`,
    )
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' }
  const command = (parts) => {
    const all = [...asRoot, ...parts]
    return [all[0], all.slice(1), { env }]
  }
  await step("Reading Debian's package lists", ...command(['apt-get', 'update', '-q']))
  await step(`Installing ${packages.join(', ')}`, ...command(install))
}
