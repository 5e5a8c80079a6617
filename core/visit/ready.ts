import type { PlanInput } from '../planning/input'
import { readyToTreat, type OpenPoint } from './openPoints'
import { needsGuardian, standing, type Standing } from '../screening/consent'
import { toPlanInput } from './planInput'
import type { VisitBundle } from './bundle'

/** Signatures that stand on the day of this visit. */
export const standingHere = (b: VisitBundle): Standing[] =>
  standing(b.signatures, b.withdrawals, b.today, needsGuardian(b.client.age))

/**
 * What is still open before this visit's treatment may start: the same list on every screen and on
 * the server.
 */
export function openPoints(b: VisitBundle, input: PlanInput = toPlanInput(b)): OpenPoint[] {
  const draft = b.plans.find((p) => p.version === 0)
  return readyToTreat({
    input,
    verdict: input.verdict,
    steps: draft?.steps ?? [],
    consented: standingHere(b).map((s) => s.kind),
    signed: b.signatures.length > 0,
    age: b.client.age,
    trainee: b.staff.role === 'trainee',
    countersigned: draft !== undefined && draft.countersignedBy !== null,
  })
}
