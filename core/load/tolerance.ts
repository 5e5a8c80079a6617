import {
  AGE_FACTORS,
  REDNESS_FACTORS,
  RESILIENT_TOLERANCE,
  SENSITIVITY_FACTORS,
  UNREAD_FACTOR,
  WATER_FACTORS,
  type ToleranceFactor,
} from '../catalogue/rules/tolerance'
import type { RegionId } from '../face/zones'
import { plannedGrade, type Profile } from '../skin/profile'

export interface Tolerance {
  hundredths: number
  because: readonly ToleranceFactor[]
}

/**
 * What one region can bear today: a resilient reference lowered by sensitivity, redness, thirst,
 * age and by what the answers limit.
 * Whole hundredths, rounded down. House scale.
 */
export function toleranceOf(profile: Profile, region: RegionId, limitPercent: number): Tolerance {
  const because: ToleranceFactor[] = []
  let tolerance = RESILIENT_TOLERANCE
  const lower = (factor: ToleranceFactor | undefined) => {
    if (!factor || factor.percent === 100) return
    because.push(factor)
    tolerance = (tolerance * factor.percent) / 100
  }
  lower(SENSITIVITY_FACTORS[plannedGrade(profile, region, 'sensitivity')])
  lower(REDNESS_FACTORS[plannedGrade(profile, region, 'redness')])
  lower(WATER_FACTORS[plannedGrade(profile, region, 'water')])
  lower(AGE_FACTORS.find((f) => (profile.age ?? 0) >= f.from))
  if (profile.unread.includes(region)) lower(UNREAD_FACTOR)
  if (limitPercent < 100)
    because.push({
      id: 'tolerance-answers',
      sentence: 'lowered by the consultation',
      percent: limitPercent,
      source: 'the rows named in the verdict',
    })
  return { hundredths: Math.max(0, Math.floor((tolerance * limitPercent) / 100 + 1e-9)), because }
}
