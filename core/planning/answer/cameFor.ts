import type { TechniqueId } from '../../catalogue/techniques/techniques'
import { ticksWithin } from '../../units'
import type { PlanInput } from '../input'
import { compile } from '../question/compile'
import type { PlanCase, SolveFrom } from '../question/planCase'
import type { Solution } from '../search/solve'
import { solve } from '../search/solve'
import type { Allow } from '../today/allowed'

export interface Solved {
  planCase: PlanCase
  solution: Solution | undefined
}

/**
 * The best plan that holds what the client came for. Each piece of work that was asked for by name
 * goes in as long as a plan can hold it with those before it; what is barred or has no room does
 * not cost the visit.
 * @param start where work that is done already leaves the skin
 */
export function solveFor(input: PlanInput, allow: Allow, start?: SolveFrom): Solved {
  const slot = ticksWithin(input.slotMinutes)
  const withWork = (wanted: readonly TechniqueId[]): Solved => {
    const planCase = compile({ ...input, wanted }, allow)
    return { planCase, solution: solve(planCase, slot, start) }
  }
  const must = input.wanted ?? []
  const open = (input.named ?? []).filter((id) => allow(id).never.length === 0)
  const all = withWork([...must, ...open])
  if (all.solution || open.length === 0) return all
  let best = withWork(must)
  let held = must
  for (const id of open) {
    const more = withWork([...held, id])
    if (more.solution === undefined) continue
    best = more
    held = [...held, id]
  }
  return best
}
