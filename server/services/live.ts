import { sqlClient } from './database'

/**
 * One listener a server; whoever watches a visit is called when a tap of it is committed, on this
 * server or another.
 */
interface Watcher {
  /** The tablet, by the name it was given and who is signed in on it. */
  name: string
  taps: () => void
  /** Other tablets came or went. */
  others: () => void
}
const watchers = new Map<string, Set<Watcher>>()
let listening: Promise<unknown> | undefined

function listen() {
  listening ??= sqlClient()
    .listen(
      'visit',
      (visitId) => {
        for (const { taps } of watchers.get(visitId) ?? []) taps()
      },
      () => {
        for (const set of watchers.values()) for (const { taps } of set) taps()
      },
    )
    .catch(() => {
      listening = undefined
    })
  return listening
}

/** @returns a function that ends the watching */
export async function watch(visitId: string, watcher: Watcher): Promise<() => void> {
  await listen()
  const set = watchers.get(visitId) ?? new Set()
  const tellOthers = () => {
    for (const own of set) if (own !== watcher) own.others()
  }
  watchers.set(visitId, set.add(watcher))
  tellOthers()
  return () => {
    set.delete(watcher)
    if (set.size === 0) watchers.delete(visitId)
    tellOthers()
  }
}

/** The other tablets that show this visit on this server, by name. */
export const othersAt = (visitId: string, watcher: Watcher): string[] =>
  [...(watchers.get(visitId) ?? [])].filter((own) => own !== watcher).map(({ name }) => name)
