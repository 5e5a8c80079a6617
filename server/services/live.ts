import { sqlClient } from './database'

/**
 * One listener a server; whoever watches a visit is called when a tap of it is committed, on this
 * server or another.
 */
const watchers = new Map<string, Set<() => void>>()
let listening: Promise<unknown> | undefined

function listen() {
  listening ??= sqlClient()
    .listen(
      'visit',
      (visitId) => {
        for (const call of watchers.get(visitId) ?? []) call()
      },
      () => {
        for (const set of watchers.values()) for (const call of set) call()
      },
    )
    .catch(() => {
      listening = undefined
    })
  return listening
}

/** @returns a function that ends the watching */
export async function watch(visitId: string, call: () => void): Promise<() => void> {
  await listen()
  const set = watchers.get(visitId) ?? new Set()
  watchers.set(visitId, set.add(call))
  return () => {
    set.delete(call)
    if (set.size === 0) watchers.delete(visitId)
  }
}
