import type { PlanStep } from '../catalogue/techniques/step'
import { TECHNIQUES, type TechniqueId } from '../catalogue/techniques/techniques'
import { GROUPS } from '../face/regions'

/** A technique as a step of its least, on its first zones, with the bottle of its kind. */
export const usualStep = (technique: TechniqueId, more: Partial<PlanStep> = {}): PlanStep => {
  const ownTechnique = TECHNIQUES[technique]
  return {
    key: `${technique}-9`,
    technique,
    minutes: ownTechnique.minutes.choices[0] ?? ownTechnique.minutes.least,
    regions: GROUPS[ownTechnique.groups[0] ?? 'body'],
    why: [],
    ...(ownTechnique.product ? { productId: ownTechnique.product } : {}),
    ...(ownTechnique.passes ? { passes: 1 } : {}),
    ...(ownTechnique.setting ? { setting: ownTechnique.setting.start } : {}),
    ...more,
  }
}
