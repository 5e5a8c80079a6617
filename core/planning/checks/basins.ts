import type { PlanStep } from '../../catalogue/techniques/step'
import type { RegionId } from '../../face/zones'
import type { PlanInput } from '../input'
import { checkPlan, type Check } from './check'

/** The four bowls that a plan is shown by: the brow, both cheeks, the chin. */
export const BOWLS: readonly { region: RegionId; name: string }[] = [
  { region: 'forehead', name: 'Forehead' },
  { region: 'cheekL', name: 'Cheek L' },
  { region: 'cheekR', name: 'Cheek R' },
  { region: 'chin', name: 'Chin' },
]

/** One bowl, hundredths: what was in it before, what the plan pours in, and what it bears. */
export interface Basin {
  before: number
  today: number
  tolerance: number
}

/**
 * How full one region is after the first steps of a plan, or after all of it.
 * @param check of the same plan and input
 */
export function basinOf(
  input: PlanInput,
  check: Pick<Check, 'trace' | 'tolerances'>,
  region: RegionId,
  steps: number = check.trace.states.length,
): Basin {
  const { states } = check.trace
  return {
    before: input.residual[region],
    today: states[Math.min(steps, states.length) - 1]?.asked[region] ?? 0,
    tolerance: check.tolerances[region].hundredths,
  }
}

/** The four bowls after the whole plan, as Day shows them. */
export function basinsOf(input: PlanInput, steps: readonly PlanStep[]): Basin[] {
  const check = checkPlan(input, steps)
  return BOWLS.map(({ region }) => basinOf(input, check, region))
}
