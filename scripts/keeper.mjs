/**
 * Outlives whoever started it by a moment: what that one left running when it was killed is ended
 * here. It hears over its input what there is; the end of the input is the end of the other.
 */
import { spawnSync } from 'node:child_process'
import { readFileSync, rmSync } from 'node:fs'
import { createInterface } from 'node:readline'

const HARD_AFTER_MS = 4000
const processes = new Map()
const clusters = new Map()

/** When a process began, in the kernel's ticks: a number that was given out again is another one. */
function beganAt(pid) {
  try {
    const stat = readFileSync(`/proc/${pid}/stat`, 'utf8')
    return stat.slice(stat.lastIndexOf(')') + 2).split(' ')[19]
  } catch {
    return undefined
  }
}
function end(pid, signal) {
  if (processes.get(pid) === undefined || beganAt(pid) !== processes.get(pid)) return
  for (const whom of [-pid, pid])
    try {
      process.kill(whom, signal)
      return
    } catch {
      /* no group of its own, or gone already */
    }
}
function stop({ command, args, home, remove }) {
  spawnSync(command, args, { stdio: 'ignore' })
  if (remove) rmSync(home, { recursive: true, force: true })
}

const lines = createInterface({ input: process.stdin })
lines.on('line', (line) => {
  const { does, pid, cluster } = JSON.parse(line)
  if (does === 'pid') processes.set(pid, beganAt(pid))
  if (does === 'pidGone') processes.delete(pid)
  if (does === 'cluster') clusters.set(cluster.home, cluster)
  if (does === 'clusterGone') clusters.delete(cluster.home)
})
lines.on('close', () => {
  for (const pid of processes.keys()) end(pid, 'SIGTERM')
  setTimeout(
    () => {
      for (const pid of processes.keys()) end(pid, 'SIGKILL')
      for (const cluster of clusters.values()) stop(cluster)
      process.exit(0)
    },
    processes.size > 0 ? HARD_AFTER_MS : 0,
  )
})
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => {})
