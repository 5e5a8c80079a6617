import { spawn } from 'node:child_process'
import { join } from 'node:path'
import { ROOT } from './say.mjs'

let keeper
/** The keeper of this process, begun when there is something to keep. */
function tell(word) {
  if (!keeper) {
    keeper = spawn(process.execPath, [join(ROOT, 'scripts', 'keeper.mjs')], {
      cwd: ROOT,
      detached: true,
      stdio: ['pipe', 'ignore', 'ignore'],
    })
    keeper.stdin.on('error', () => {})
    keeper.unref()
    keeper.stdin.unref?.()
  }
  keeper.stdin.write(`${JSON.stringify(word)}\n`)
}

/** Should this process be killed, the child is ended with it, its own children too. */
export function keepChild(child) {
  if (child.pid === undefined) return child
  tell({ does: 'pid', pid: child.pid })
  child.once('exit', () => tell({ does: 'pidGone', pid: child.pid }))
  return child
}

/**
 * Should this process be killed, the cluster is stopped.
 * @param how its folder, the command that stops it, and whether it is thrown away then
 */
export const keepCluster = (how) => tell({ does: 'cluster', cluster: how })
export const letGoOfCluster = (home) => tell({ does: 'clusterGone', cluster: { home } })
