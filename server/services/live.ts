import { sqlClient } from './database'
import { heardIn, type Heard } from './visits/heard'

/**
 * One listener a server; whoever watches a visit is called when a tap of it is committed, on this
 * server or another.
 */
interface Watcher {
  /** The tablet, by the name it was given and who is signed in on it. */
  name: string
  /** @param heard what is heard now, read once for all who watch */
  taps: (heard: () => Promise<Heard>) => void
  /** Other tablets came or went. */
  others: () => void
}
const watchers = new Map<string, Set<Watcher>>()

/** Tells all who watch a visit; what is new is read once, by the first of them who may hear it. */
function tellTaps(visitId: string, set: ReadonlySet<Watcher>) {
  let reading: Promise<Heard> | undefined
  const heard = () => (reading ??= heardIn({ id: visitId }))
  for (const { taps } of set) taps(heard)
}
let listening: Promise<unknown> | undefined

function listen() {
  listening ??= sqlClient()
    .listen(
      'visit',
      (visitId) => {
        tellTaps(visitId, watchers.get(visitId) ?? new Set())
      },
      () => {
        for (const [visitId, set] of watchers) tellTaps(visitId, set)
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
