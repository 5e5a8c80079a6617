import type { PlanInput } from '../planning/input'
import { readyToTreat, type OpenPoint } from './openPoints'
import { needsGuardian, standing, type Standing } from '../screening/consent/consent'
import { toPlanInput } from './planInput'
import type { VisitBundle } from './bundle'

/** Signatures that stand on the day of this visit. */
export const standingHere = (bundle: VisitBundle): Standing[] =>
  standing(bundle.signatures, bundle.withdrawals, bundle.today, needsGuardian(bundle.client.age))

/**
 * What is still open before this visit's treatment may start: the same list on every screen and on
 * the server.
 */
export function openPoints(
  bundle: VisitBundle,
  input: PlanInput = toPlanInput(bundle),
): OpenPoint[] {
  const draft = bundle.plans.find((plan) => plan.version === 0)
  return readyToTreat({
    input,
    verdict: input.verdict,
    steps: draft?.steps ?? [],
    consented: standingHere(bundle).map((standing) => standing.kind),
    signed: bundle.signatures.length > 0,
    age: bundle.client.age,
    trainee: bundle.staff.role === 'trainee',
    countersigned: draft !== undefined && draft.countersignedBy !== null,
  })
}
