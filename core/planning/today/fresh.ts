import type { PlanStep } from '../../catalogue/techniques/step'
import type { TechniqueId } from '../../catalogue/techniques/techniques'
import { GROUPS } from '../../face/regions'
import { REGION_IDS, type RegionId } from '../../face/zones'
import { allowance, type Allowance } from './allowed'
import type { PlanInput } from '../input'
import { minutes } from '../../units'

/**
 * A step as it would be added by hand: the usual minutes, the widest zones allowed, the best suited
 * product. Undefined when it is barred everywhere.
 */
export function freshStep(id: TechniqueId, input: PlanInput): Omit<PlanStep, 'key'> | undefined {
  const a = allowance(id, input)
  if (a.never.length > 0) return undefined
  const t = a.technique
  const regions = widest(a)
  if (regions.length === 0 && t.groups[0] !== 'body') return undefined
  const longest = [...t.minutes.choices].reverse().find((m) => m <= a.minutesMost)
  return {
    technique: id,
    regions,
    minutes: longest ?? minutes(a.minutesMost),
    ...(t.passes ? { passes: Math.min(t.passes.usual, a.passesMost) } : {}),
    ...(a.setting ? { setting: a.setting.start } : {}),
    ...(a.products[0] ? { productId: a.products[0].product.id } : {}),
    why: [{ rule: 'by-hand', text: 'added by hand' }, ...a.adapted],
  }
}

function widest(a: Allowance): RegionId[] {
  const reach = new Set(a.technique.groups.slice(0, 1).flatMap((g) => GROUPS[g]))
  return REGION_IDS.filter((r) => reach.has(r) && !a.barred.has(r))
}
