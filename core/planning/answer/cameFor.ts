import { ticksWithin } from '../../units'
import type { Work } from '../agenda/work'
import type { PlanInput } from '../input'
import { compile } from '../question/compile'
import type { PlanCase, SolveFrom } from '../question/planCase'
import type { Solution } from '../search/solve'
import { solve } from '../search/solve'
import type { Allow } from '../today/allowance'
import { settledAgenda } from './settle'

export interface Solved {
  planCase: PlanCase
  solution: Solution | undefined
  /** What the visit is worked for, as far as the hour holds it. */
  agenda: readonly Work[]
}

/**
 * The best plan that holds what the client came for: what was asked for by its name goes before all
 * else. What is barred or has no room does not cost the visit.
 * @param start where work that is done already leaves the skin
 */
export function solveFor(input: PlanInput, allow: Allow, start?: SolveFrom): Solved {
  const agenda = settledAgenda(input, start)
  const planCase = compile(input, allow, agenda)
  return { planCase, solution: solve(planCase, ticksWithin(input.slotMinutes), start), agenda }
}
