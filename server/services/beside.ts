import { randomUUID } from 'node:crypto'
import { sqlClient } from './database'

/**
 * Which tablets show a visit on the other servers of this house: each server says its own, when one
 * comes or goes and now and then, and what is not said again is forgotten.
 */
const CHANNEL = 'beside'
/** How often a server says again which tablets it has, and after how long they count as gone. */
const SAID_AGAIN_MS = 20_000
const FORGOTTEN_MS = 3 * SAID_AGAIN_MS
/** As many bytes as one word to the other servers may have. */
const WORD_BYTES = 7000

interface Word {
  server: string
  visit: string
  names: string[]
  /** Whether the others are to say theirs. */
  asks: boolean
}
const SERVER = randomUUID()
/** By visit, by server: its tablets, and until when that is believed. */
const elsewhere = new Map<string, Map<string, { names: readonly string[]; until: number }>>()

/**
 * Names of tablets that show this visit on other servers; each once, though a server that was killed
 * still counts for a while beside the one that its tablets have gone to.
 */
export const namesElsewhere = (visit: string): string[] => {
  const said = [...(elsewhere.get(visit)?.values() ?? [])]
  return [...new Set(said.filter(({ until }) => until > Date.now()).flatMap(({ names }) => names))]
}

/** What this server knows of its own tablets, and what is to be done when those elsewhere change. */
interface Own {
  visits: () => Iterable<string>
  names: (visit: string) => string[]
  changed: (visit: string) => void
}
let own: Own | undefined

/** Says which tablets show this visit here. @param asks whether the others are to say theirs */
export async function sayOwn(visit: string, asks = false): Promise<void> {
  const names = own?.names(visit) ?? []
  const word = JSON.stringify({ server: SERVER, visit, names, asks } satisfies Word)
  if (Buffer.byteLength(word) > WORD_BYTES) return
  // A house whose database is away has more to tell than this; it is said again soon.
  await sqlClient()
    .notify(CHANNEL, word)
    .catch(() => undefined)
}

let hearing: Promise<unknown> | undefined

/** Hears the other servers from now on. */
export function hearOthers(mine: Own): Promise<unknown> {
  own = mine
  hearing ??= sqlClient()
    .listen(CHANNEL, heard)
    .then(() => {
      setInterval(() => {
        for (const visit of mine.visits()) void sayOwn(visit)
        forget()
      }, SAID_AGAIN_MS).unref()
    })
    .catch(() => {
      hearing = undefined
    })
  return hearing
}

function heard(text: string): void {
  const { server, visit, names, asks } = JSON.parse(text) as Word
  if (server === SERVER) return
  const before = namesElsewhere(visit).join('\n')
  const byServer = elsewhere.get(visit) ?? new Map()
  byServer.set(server, { names, until: Date.now() + FORGOTTEN_MS })
  if (names.length === 0) byServer.delete(server)
  if (byServer.size === 0) elsewhere.delete(visit)
  else elsewhere.set(visit, byServer)
  if (namesElsewhere(visit).join('\n') !== before) own?.changed(visit)
  if (asks && (own?.names(visit).length ?? 0) > 0) void sayOwn(visit)
}

/** What a server that is gone said last is forgotten, and whoever saw it hears so. */
function forget(): void {
  for (const [visit, byServer] of elsewhere) {
    const stale = [...byServer].filter(([, { until }]) => until <= Date.now())
    for (const [server] of stale) byServer.delete(server)
    if (byServer.size === 0) elsewhere.delete(visit)
    if (stale.length > 0) own?.changed(visit)
  }
}
