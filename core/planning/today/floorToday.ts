import { floorOf, type FloorStage } from '../../catalogue/techniques/stages'
import type { PlanInput } from '../input'
import { reachOf } from './adapt'
import type { Allow } from './allowance'

/**
 * What this visit has in any case, as today allows it: eyes that may not be touched are left as they are,
 * and the visit goes on.
 */
export const floorToday = (input: PlanInput, allow: Allow): FloorStage[] =>
  floorOf(input).filter(({ first, unlessBarred }) => {
    const { barred, never, technique } = allow(first)
    const alone =
      never.some(({ rule }) => rule !== 'no-product') ||
      reachOf(technique).every((region) => barred.has(region))
    return !(unlessBarred && alone)
  })
