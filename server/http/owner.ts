import type { Staff } from '../services/session/session'
import { forbidden } from '../problem/problem'

/** What a trainee may not do. */
export function notTrainee(me: Staff, detail = 'A trainee keeps no protocols of the house.'): void {
  if (me.role === 'trainee') throw forbidden(detail)
}
/** Who keeps the shelf: everyone but a trainee. */
export const keepsShelf = (me: Staff): void =>
  notTrainee(me, 'A trainee does not change the shelf: ask a colleague.')

/** What only the owner may do. */
export function ownerOnly(me: Staff): void {
  if (me.role !== 'owner') throw forbidden("The practice page is the owner's.")
}
