import type { TreatmentEvent } from '#core/treatment/taps/events'
import type { Keep } from './keepTables'
import { keyFrom, keyOf, seal, unseal, type Key } from './sealing'

let opened: Promise<Keep> | undefined
/** The tables are opened when they are first wanted: most pages hold nothing back. */
const keep = () =>
  (opened ??= import('./keepTables').then(
    (module) => new module.Keep(),
    (error: unknown) => {
      opened = undefined
      throw error
    },
  ))

interface Own {
  staffId: string
  key: Key
}
let own: Promise<Own> | undefined
/** The person's key: asked for once, tried again where the house was out of reach. */
function ownKey(): Promise<Own> {
  own ??= askKey().catch((error: unknown) => {
    own = undefined
    throw error
  })
  return own
}
async function askKey(): Promise<Own> {
  const reply = await fetch('/api/session/key').catch(() => undefined)
  if (!reply) {
    // Out of reach: while a treatment runs here its key is on the device.
    const here = await (await keep()).keys.get('own')
    if (here) return here
    throw new Error('no key: out of reach')
  }
  if (!reply.ok) throw new Error('no key: signed out or locked')
  const { staffId, key } = (await reply.json()) as { staffId: string; key: string }
  return { staffId, key: await keyFrom(key) }
}
/** For a client's own form: nobody is signed in there, and what opens the form locks its draft. */
export function keepBy(token: string): void {
  own = keyOf(token).then((key) => ({ staffId: 'form', key }))
}
/** Key and tables, while the house is in reach: so that they are there when it is not. */
export const openKeep = () => Promise.all([ownKey(), keep()]).then(() => {})
/** A store that does not answer holds nobody up: what lies there is locked, and its key is gone. */
const STORE_MS = 3000
const notForEver = (work: Promise<unknown>) =>
  Promise.race([work, new Promise((done) => setTimeout(done, STORE_MS))]).catch(() => {})
/** From here on nothing that this device holds can be read on it, until somebody signs in. */
export async function forgetKey(): Promise<void> {
  own = undefined
  // A device without a store holds nothing to clear; signing in or out goes on.
  await notForEver(
    after(async () => {
      const { running, keys } = await keep()
      await Promise.all([running.clear(), keys.clear()])
    }),
  )
}

/** The visit that runs on this tablet, with who works on it. */
export function keepRunning(id: string, value: unknown) {
  const now = plain(value)
  return after(async () => {
    const { staffId, key } = await ownKey()
    const sealed = await seal(key, now)
    await (await keep()).keys.put({ id: 'own', staffId, key })
    return (await keep()).running.put({ id, staffId, ...sealed })
  })
}
export async function readRunning<T>(id: string): Promise<T | undefined> {
  const { key } = await ownKey()
  const row = await (await keep()).running.get(id)
  return row && ((await unseal(key, row)) as T | undefined)
}
/** Of whatever visit runs here: who works on it. */
export async function anyRunning<T>(): Promise<T | undefined> {
  const row = await (await keep()).running.toCollection().first()
  return row && readRunning<T>(row.id)
}
/** It is over, or goes on elsewhere. */
export const dropRunning = (id: string) =>
  after(async () => {
    await (await keep()).running.delete(id)
    if ((await (await keep()).running.count()) === 0) await (await keep()).keys.clear()
  })

/**
 * Writing under way: whoever counts or wipes waits for it, so that nothing is overlooked and
 * nothing comes back.
 */
let writing: Promise<unknown> = Promise.resolve()
function after<T>(work: () => Promise<T>): Promise<T> {
  const done = writing.then(work)
  writing = done.catch(() => {})
  return done
}

const placeOf = ({ staffId }: Own, key: string) => `${staffId} ${key}`
export async function readDraft<T>(key: string): Promise<T | undefined> {
  const me = await ownKey()
  const draft = await (await keep()).drafts.get(placeOf(me, key))
  return draft && ((await unseal(me.key, draft)) as T | undefined)
}
/** Plain data only: what cannot be cloned is first turned into JSON. */
export function writeDraft(key: string, value: unknown) {
  const now = plain(value)
  return after(async () => {
    const me = await ownKey()
    const sealed = await seal(me.key, now)
    const { staffId } = me
    return (await keep()).drafts.put({ key: placeOf(me, key), staffId, at: Date.now(), ...sealed })
  })
}
export const dropDraft = (key: string) =>
  after(async () => (await keep()).drafts.delete(placeOf(await ownKey(), key)))
const plain = (value: unknown): unknown => JSON.parse(JSON.stringify(value))

export const keepTap = (visitId: string, tap: TreatmentEvent) =>
  after(async () => {
    const { staffId, key } = await ownKey()
    const sealed = await seal(key, plain(tap))
    return (await keep()).taps.put({ id: tap.id, visitId, staffId, ...sealed })
  })
/** One's own, in the order they were tapped. */
export async function unsentTaps(visitId: string): Promise<TreatmentEvent[]> {
  const { staffId, key } = await ownKey()
  const rows = await (await keep()).taps.where('visitId').equals(visitId).toArray()
  const mine = rows.filter((row) => row.staffId === staffId)
  const taps = await Promise.all(mine.map((row) => unseal(key, row)))
  return (taps.filter(Boolean) as TreatmentEvent[]).sort((one, other) => one.seq - other.seq)
}
/** After what is still being written: a tap that the house has is not written behind its back. */
export const dropTaps = (ids: string[]) => after(async () => (await keep()).taps.bulkDelete(ids))
/** How much of one's own is held back. */
export const unsentCount = () =>
  after(async () => {
    const { staffId } = await ownKey()
    const mine = (row: { staffId: string }) => row.staffId === staffId
    return (
      (await (await keep()).taps.filter(mine).count()) +
      (await (await keep()).drafts.filter(mine).count())
    )
  })

/**
 * At sign-out nothing of a client that one held back stays on the device. What a colleague has not
 * sent yet stays theirs: locked, until they sign in again.
 */
export async function wipeDevice(): Promise<void> {
  await notForEver(
    after(async () => {
      // Who is signed out already has no key any more: what is here stays locked.
      const me = await ownKey().catch(() => undefined)
      if (!me) return
      const mine = (row: { staffId: string }) => row.staffId === me.staffId
      await (await keep()).drafts.filter(mine).delete()
      await (await keep()).taps.filter(mine).delete()
    }),
  )
  await forgetKey()
  sessionStorage.clear()
}
