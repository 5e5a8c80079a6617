import type { TechniqueId } from '../../catalogue/techniques/techniques'
import type { PlanCase } from '../question/planCase'
import type { Solution } from '../search/solve'

/** The techniques that an answer to a question holds, links and what follows left out. */
export const heldIn = (
  { stages }: Pick<PlanCase, 'stages'>,
  solution: Pick<Solution, 'options'> | undefined,
): ReadonlySet<TechniqueId> => {
  const chosen = new Set(solution?.options ?? [])
  return new Set(
    stages.flatMap(({ options }) =>
      options.filter(({ id }) => chosen.has(id)).flatMap(({ main }) => [...main]),
    ),
  )
}
