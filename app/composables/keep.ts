import Dexie, { type Table } from 'dexie'
import type { TreatmentEvent } from '#core/treatment/events'

/** What this device holds back: drafts not saved yet and taps not acknowledged yet. Nothing else is stored in the browser. */
interface Draft { key: string, value: unknown, at: number }
interface Unsent extends TreatmentEvent { visitId: string }

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

export const readDraft = async <T>(key: string): Promise<T | undefined> => (await keep().drafts.get(key))?.value as T | undefined
/** Plain data only: what cannot be cloned is first turned into JSON. */
export const writeDraft = (key: string, value: unknown) => keep().drafts.put({ key, value: JSON.parse(JSON.stringify(value)), at: Date.now() })
export const dropDraft = (key: string) => keep().drafts.delete(key)

export const keepTap = (visitId: string, tap: TreatmentEvent) => keep().taps.put({ ...JSON.parse(JSON.stringify(tap)) as TreatmentEvent, visitId })
export const unsentTaps = async (visitId: string): Promise<TreatmentEvent[]> => (await keep().taps.where('visitId').equals(visitId).toArray()).map(({ visitId: _v, ...tap }) => tap)
export const dropTaps = (ids: string[]) => keep().taps.bulkDelete(ids)
export const unsentCount = async () => (await keep().taps.count()) + (await keep().drafts.count())

/** At sign-out nothing of a client stays on the device. */
export async function wipeDevice(): Promise<void> {
  await Promise.all([keep().drafts.clear(), keep().taps.clear()])
  sessionStorage.clear()
}
