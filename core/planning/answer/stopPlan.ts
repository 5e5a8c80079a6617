import { leavesActive } from '../../catalogue/products/families'
import type { PlanStep, Why } from '../../catalogue/techniques/step'
import type { TechniqueId } from '../../catalogue/techniques/techniques'
import { GROUPS } from '../../face/regions'
import type { RegionId } from '../../face/zones'
import { allowance } from '../today/allowed'
import { freshKey } from '../steps/edit'
import type { PlanInput } from '../input'
import { minutes } from '../../units'

const WHY: readonly Why[] = [{ rule: 'stopped', text: 'after a stop: calm only' }]

/**
 * What remains of a visit after a stop: everything off, cool, a plain calming finish, sun
 * protection by day, close. Done steps stand.
 */
export function planAfterStop(input: PlanInput, done: readonly PlanStep[]): PlanStep[] {
  const steps: PlanStep[] = [...done]
  const add = (technique: TechniqueId, took: number, regions: readonly RegionId[]) => {
    const allowed = allowance(technique, input)
    const where = regions.filter((region) => !allowed.barred.has(region))
    if (regions.length > 0 && where.length === 0) return
    if (allowed.never.length > 0 && technique !== 'rinse' && technique !== 'close') return
    const product =
      allowed.products.find(({ product }) => product.calming && !leavesActive(product)) ??
      allowed.products.find(({ product }) => !leavesActive(product))
    steps.push({
      key: freshKey(steps, technique),
      technique,
      minutes: minutes(took),
      regions: where,
      ...(product ? { productId: product.product.id } : {}),
      why: WHY,
    })
  }
  add('rinse', 2, GROUPS.faceNeckDecollete)
  add('cold', 2, GROUPS.face)
  add('moisturiser', 1, GROUPS.faceNeckDecollete)
  if (input.daylight) {
    add('wait', 1, [])
    add('sunProtection', 1, GROUPS.faceNeckDecollete)
  }
  add('close', 3, [])
  return steps
}
