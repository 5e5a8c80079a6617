import { AFTER_STOP } from '../../catalogue/rules/stopRules'
import { leavesActive } from '../../catalogue/products/families'
import { doneAs } from '../../catalogue/techniques/ownWay'
import type { PlanStep, Why } from '../../catalogue/techniques/step'
import { GROUPS } from '../../face/regions'
import { allowance } from '../today/allowed'
import { freshKey } from '../steps/edit'
import type { PlanInput } from '../input'

const WHY: readonly Why[] = [{ rule: 'stopped', text: 'after a stop: calm only' }]

/**
 * What remains of a visit after a stop: everything off, cool, a plain calming finish, sun
 * protection by day, close. Done steps stand.
 */
export function planAfterStop(input: PlanInput, done: readonly PlanStep[]): PlanStep[] {
  const steps: PlanStep[] = [...done]
  for (const { technique, minutes, group, must, byDay } of AFTER_STOP) {
    if (byDay && !input.daylight) continue
    const allowed = allowance(technique, input)
    const regions = group ? GROUPS[group].filter((region) => !allowed.barred.has(region)) : []
    if (group && regions.length === 0) continue
    if (allowed.never.length > 0 && !must) continue
    const product =
      allowed.products.find(({ product }) => product.calming && !leavesActive(product)) ??
      allowed.products.find(({ product }) => !leavesActive(product))
    steps.push({
      key: freshKey(steps, technique),
      ...doneAs(allowed.technique),
      minutes,
      regions,
      ...(product ? { productId: product.product.id } : {}),
      why: WHY,
    })
  }
  return steps
}
