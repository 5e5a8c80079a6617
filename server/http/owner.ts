import type { Staff } from '../services/session'
import { forbidden } from './problem'

/** What only the owner may do. */
export function ownerOnly(me: Staff): void {
  if (me.role !== 'owner') throw forbidden('The practice page is the owner\'s.')
}
