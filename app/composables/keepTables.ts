import Dexie, { type Table } from 'dexie'
import type { Key, Sealed } from './sealing'

/**
 * What this device holds back: drafts not saved yet and taps not acknowledged yet, each locked with
 * the key of whoever typed or tapped it. Nothing else is stored in the browser.
 */
interface Draft extends Sealed {
  key: string
  staffId: string
  at: number
}
interface Unsent extends Sealed {
  id: string
  visitId: string
  staffId: string
}

/**
 * The treatment under way on this tablet, so that a reload out of reach of the house finds it; and
 * the key it is locked with, which the browser gives to no script. Both go at lock and sign-out.
 */
interface Running extends Sealed {
  id: string
  staffId: string
}
interface OwnKey {
  id: 'own'
  staffId: string
  key: Key
}

export class Keep extends Dexie {
  running!: Table<Running, string>
  keys!: Table<OwnKey, string>
  drafts!: Table<Draft, string>
  taps!: Table<Unsent, string>
  constructor() {
    super('oak-basin')
    this.version(1).stores({ drafts: 'key', taps: 'id, visitId' })
    // What an earlier version kept was not locked: it is not carried over.
    this.version(2)
      .stores({ drafts: 'key', taps: 'id, visitId' })
      .upgrade((old) => Promise.all([old.table('drafts').clear(), old.table('taps').clear()]))
    this.version(3).stores({ drafts: 'key', taps: 'id, visitId', running: 'id', keys: 'id' })
  }
}
