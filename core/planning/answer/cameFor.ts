import { ticksWithin } from '../../units'
import type { TechniqueId } from '../../catalogue/techniques/techniques'
import type { Work } from '../agenda/work'
import type { PlanInput } from '../input'
import { compile } from '../question/compile'
import type { PlanCase, SolveFrom } from '../question/planCase'
import type { Solution } from '../search/solve'
import { solve } from '../search/solve'
import type { Allow } from '../today/allowance'
import { heldIn } from './held'
import { settledAgenda } from './settle'

export interface Solved {
  planCase: PlanCase
  solution: Solution | undefined
  /** What the visit is worked for, as far as the hour holds it. */
  agenda: readonly Work[]
}

/**
 * The best plan that holds what the client came for: what was asked for by its name goes before all
 * else. What is barred or has no room does not cost the visit; what only stands beside such work goes
 * with it.
 * @param start where work that is done already leaves the skin, and `had` that work
 */
export function solveFor(
  input: PlanInput,
  allow: Allow,
  start?: SolveFrom,
  had: readonly TechniqueId[] = [],
): Solved {
  let agenda: readonly Work[] = settledAgenda(input, start)
  for (;;) {
    const planCase = compile(input, allow, agenda)
    const solution = solve(planCase, ticksWithin(input.slotMinutes), start)
    const kept = solution
      ? withoutLonely(agenda, new Set([...had, ...heldIn(planCase, solution)]))
      : agenda
    if (kept.length === agenda.length) return { planCase, solution, agenda }
    agenda = kept
  }
}

/** The agenda less what stands beside work that the plan does not hold. */
function withoutLonely(agenda: readonly Work[], held: ReadonlySet<TechniqueId>): readonly Work[] {
  const done = (work: Work) => work.ladder.some((id) => held.has(id))
  return agenda.filter(
    (work) =>
      work.beside === undefined ||
      !done(work) ||
      agenda.some((other) => other.part === work.beside && done(other)),
  )
}
