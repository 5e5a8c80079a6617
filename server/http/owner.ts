import type { Staff } from '../services/session'
import { forbidden } from '../problem/problem'

/** What a trainee may not do. */
export function notTrainee(me: Staff): void {
  if (me.role === 'trainee') throw forbidden('A trainee keeps no protocols of the house.')
}

/** What only the owner may do. */
export function ownerOnly(me: Staff): void {
  if (me.role !== 'owner') throw forbidden("The practice page is the owner's.")
}
