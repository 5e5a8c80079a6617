import type { PlanStep } from '../catalogue/techniques/step'
import { TECHNIQUES, type TechniqueId } from '../catalogue/techniques/techniques'
import { GROUPS } from '../face/regions'

/** A technique as a step of its least, on its first zones, with the bottle of its kind. */
export const usualStep = (technique: TechniqueId, more: Partial<PlanStep> = {}): PlanStep => {
  const row = TECHNIQUES[technique]
  return {
    key: `${technique}-9`,
    technique,
    minutes: row.minutes.choices[0] ?? row.minutes.least,
    regions: GROUPS[row.groups[0] ?? 'body'],
    why: [],
    ...(row.product ? { productId: row.product } : {}),
    ...(row.passes ? { passes: 1 } : {}),
    ...(row.setting ? { setting: row.setting.start } : {}),
    ...more,
  }
}
