import { ALL_PERCENT, percentOf, ROUNDING } from '../units'
import {
  AGE_FACTORS,
  REDNESS_FACTORS,
  RESILIENT_TOLERANCE,
  SENSITIVITY_FACTORS,
  SHARE_WORDS,
  UNREAD_FACTOR,
  WATER_FACTORS,
  type ToleranceFactor,
} from '../catalogue/rules/tolerance'
import { nameRegions } from '../face/regions'
import { REGION_IDS, type RegionId } from '../face/zones'
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
    if (!factor || factor.percent === ALL_PERCENT) return
    because.push(factor)
    tolerance = percentOf(tolerance, factor.percent)
  }
  lower(SENSITIVITY_FACTORS[plannedGrade(profile, region, 'sensitivity')])
  lower(REDNESS_FACTORS[plannedGrade(profile, region, 'redness')])
  lower(WATER_FACTORS[plannedGrade(profile, region, 'water')])
  lower(AGE_FACTORS.find((ageFactor) => (profile.age ?? 0) >= ageFactor.from))
  if (profile.unread.includes(region)) lower(UNREAD_FACTOR)
  if (limitPercent < ALL_PERCENT)
    because.push({
      id: 'tolerance-answers',
      sentence: 'lowered by the consultation',
      percent: limitPercent,
      source: 'the rows named in the verdict',
    })
  return {
    hundredths: Math.max(0, Math.floor(percentOf(tolerance, limitPercent) + ROUNDING)),
    because,
  }
}

/**
 * What today's skin tolerates against a resilient one, in words: how much, where least, and why.
 * @param limitPercent what the answers leave of it
 */
export function toleranceWords(
  profile: Profile,
  limitPercent: number,
): { share: string; where: string; why: string } {
  const all = REGION_IDS.map((region) => ({
    region,
    tolerance: toleranceOf(profile, region, limitPercent),
  }))
  const hundredths = all.map(({ tolerance }) => tolerance.hundredths)
  const [least, most] = [Math.min(...hundredths), Math.max(...hundredths)]
  const tender = all.filter(({ tolerance }) => tolerance.hundredths === least)
  const because = tender[0]?.tolerance.because ?? []
  return {
    share: least === most ? shareWords(most) : `${shareWords(least)} to ${shareWords(most)}`,
    where:
      tender.length === all.length ? 'everywhere' : nameRegions(tender.map((item) => item.region)),
    why: because.map((factor) => `${factor.sentence}: ${percentWords(factor.percent)}`).join(', '),
  }
}
/** A share in plain words where there is one. */
const percentWords = (percent: number): string => SHARE_WORDS[percent] ?? `${percent} %`
const shareWords = (hundredths: number): string =>
  percentWords(Math.round((hundredths / RESILIENT_TOLERANCE) * ALL_PERCENT))
