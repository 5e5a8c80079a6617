import type { PlanStep } from '../../catalogue/techniques/step'
import { doneAs, type DoneAs } from '../../catalogue/techniques/ownWay'
import type { TechniqueId } from '../../catalogue/techniques/techniques'
import { GROUPS } from '../../face/regions'
import { REGION_IDS, type RegionId } from '../../face/zones'
import type { Allowance } from './allowance'
import { allowance } from './allowed'
import type { PlanInput } from '../input'
import { minutes } from '../../units'

/**
 * A step as it would be added by hand: the usual minutes, the widest zones allowed, the best suited
 * product. Undefined when it is barred everywhere.
 */
export function freshStep(
  way: TechniqueId | DoneAs,
  input: PlanInput,
): Omit<PlanStep, 'key'> | undefined {
  const allowed = allowance(way, input)
  if (allowed.never.length > 0) return undefined
  const row = allowed.technique
  const regions = widest(allowed)
  if (regions.length === 0 && row.groups[0] !== 'body') return undefined
  const longest = row.minutes.choices.findLast((choice) => choice <= allowed.minutesMost)
  return {
    ...doneAs(row),
    regions,
    minutes: minutes(Math.max(longest ?? allowed.minutesMost, allowed.minutesLeast)),
    ...(row.passes ? { passes: Math.min(row.passes.usual, allowed.passesMost) } : {}),
    ...(allowed.setting ? { setting: allowed.setting.start } : {}),
    ...(allowed.products[0] ? { productId: allowed.products[0].product.id } : {}),
    why: [{ rule: 'by-hand', text: 'added by hand' }, ...allowed.adapted],
  }
}

function widest(allowed: Allowance): RegionId[] {
  const reach = new Set(allowed.technique.groups.slice(0, 1).flatMap((group) => GROUPS[group]))
  return REGION_IDS.filter((region) => reach.has(region) && !allowed.barred.has(region))
}
