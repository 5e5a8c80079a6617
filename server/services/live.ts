import { visitFor } from './access'
import { hearOthers, namesElsewhere, sayOwn } from './beside'
import { branchHere, inBranch } from './branch'
import { sqlClient } from './database'
import { standingAmong } from './session/session'
import { heardIn, type Heard } from './visits/heard'

/**
 * One listener a server; whoever watches a visit is called when a tap of it is committed, on this
 * server or another.
 */
interface Watcher {
  /** The tablet, by the name it was given and who is signed in on it. */
  name: string
  /** The session it watches in: looked at again before every word. */
  session: string
  taps: (heard: Heard) => void
  /** Other tablets came or went. */
  others: () => void
  /** It may not hear this any more. */
  end: () => void
}
const watchers = new Map<string, Set<Watcher>>()
/** By visit, the practice it is of: what is heard comes from whichever works. */
const practices = new Map<string, string>()

/** Tells all who watch a visit and may still hear it: asked and read once for all of them. */
async function tellTaps(visitId: string, set: ReadonlySet<Watcher>) {
  const branch = practices.get(visitId)
  if (set.size === 0 || branch === undefined) return
  const all = [...set]
  const sessions = all.map(({ session }) => session)
  const [may, heard] = await inBranch(branch, () =>
    Promise.all([whoMayHear(visitId, sessions), heardIn({ id: visitId })]),
  ).catch(() => [new Set<string>(), undefined] as const)
  for (const watcher of all)
    if (heard && may.has(watcher.session)) watcher.taps(heard)
    else watcher.end()
}

/** The sessions among these that stand, and whose people may read this visit. */
async function whoMayHear(visitId: string, asked: readonly string[]): Promise<Set<string>> {
  const standing = await standingAmong([...new Set(asked)])
  const people = new Map([...standing.values()].map((me) => [me.id, me]))
  const readers = new Set<string>()
  for (const me of people.values())
    await visitFor(me, visitId, 'read').then(
      () => readers.add(me.id),
      () => undefined,
    )
  return new Set([...standing].filter(([, me]) => readers.has(me.id)).map(([id]) => id))
}
let listening: Promise<unknown> | undefined

function listen() {
  listening ??= sqlClient()
    .listen(
      'visit',
      (visitId) => {
        void tellTaps(visitId, watchers.get(visitId) ?? new Set())
      },
      () => {
        for (const [visitId, set] of watchers) void tellTaps(visitId, set)
      },
    )
    .catch(() => {
      listening = undefined
    })
  const others = hearOthers({
    visits: () => watchers.keys(),
    names: namesHere,
    changed: tellOthers,
  })
  return Promise.all([listening, others])
}

const namesHere = (visitId: string) => [...(watchers.get(visitId) ?? [])].map(({ name }) => name)
/** Tells the tablets here that others came or went. */
function tellOthers(visitId: string, but?: Watcher) {
  for (const own of watchers.get(visitId) ?? []) if (own !== but) own.others()
}

/** @returns a function that ends the watching */
export async function watch(visitId: string, watcher: Watcher): Promise<() => void> {
  await listen()
  const set = watchers.get(visitId) ?? new Set()
  watchers.set(visitId, set.add(watcher))
  practices.set(visitId, branchHere())
  tellOthers(visitId, watcher)
  void sayOwn(visitId, true)
  return () => {
    set.delete(watcher)
    if (set.size === 0) {
      watchers.delete(visitId)
      practices.delete(visitId)
    }
    tellOthers(visitId)
    void sayOwn(visitId)
  }
}

/** The other tablets that show this visit, on this server or another, by name. */
export const othersAt = (visitId: string, watcher: Watcher): string[] => [
  ...[...(watchers.get(visitId) ?? [])].filter((own) => own !== watcher).map(({ name }) => name),
  ...namesElsewhere(visitId),
]
