import type { Staff } from '../services/session/session'
import { forbidden } from '../problem/problem'

/** What a trainee may not do. */
export function notTrainee(
  me: Staff,
  detail = 'Trainees cannot save protocols of the practice.',
): void {
  if (me.role === 'trainee') throw forbidden(detail)
}
/** Who keeps the shelf: everyone but a trainee. */
export const keepsShelf = (me: Staff): void =>
  notTrainee(me, 'Trainees cannot change the shelf. Ask a colleague.')

/** What only the owner may do. */
export function ownerOnly(me: Staff): void {
  if (me.role !== 'owner') throw forbidden('Only an owner may open the Practice page.')
}
