import Dexie, { type Table } from 'dexie'
import type { TreatmentEvent } from '#core/treatment/events'

/**
 * What this device holds back: drafts not saved yet and taps not acknowledged yet. Nothing else is
 * stored in the browser.
 */
interface Draft {
  key: string
  value: unknown
  at: number
}
interface Unsent extends TreatmentEvent {
  visitId: string
}

class Keep extends Dexie {
  drafts!: Table<Draft, string>
  taps!: Table<Unsent, string>
  constructor() {
    super('oak-basin')
    this.version(1).stores({ drafts: 'key', taps: 'id, visitId' })
  }
}
let opened: Keep | undefined
const keep = () => (opened ??= new Keep())

export const readDraft = async <T>(key: string): Promise<T | undefined> =>
  (await keep().drafts.get(key))?.value as T | undefined
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

/** Plain data only: what cannot be cloned is first turned into JSON. */
export function writeDraft(key: string, value: unknown) {
  const now = plain(value)
  return after(() => keep().drafts.put({ key, value: now, at: Date.now() }))
}
export const dropDraft = (key: string) => after(() => keep().drafts.delete(key))
const plain = (value: unknown): unknown => JSON.parse(JSON.stringify(value))

export const keepTap = (visitId: string, tap: TreatmentEvent) =>
  after(() => keep().taps.put({ ...(plain(tap) as TreatmentEvent), visitId }))
export const unsentTaps = async (visitId: string): Promise<TreatmentEvent[]> =>
  (await keep().taps.where('visitId').equals(visitId).toArray()).map(
    ({ visitId: _v, ...tap }) => tap,
  )
export const dropTaps = (ids: string[]) => keep().taps.bulkDelete(ids)
export const unsentCount = () =>
  after(async () => (await keep().taps.count()) + (await keep().drafts.count()))

/** At sign-out nothing of a client stays on the device. */
export async function wipeDevice(): Promise<void> {
  await after(() => Promise.all([keep().drafts.clear(), keep().taps.clear()]))
  sessionStorage.clear()
}
