import type { RegionId } from '../../face/zones'
import { COMMON_PRACTICE, type FamilyId } from '../kinds'

/** What lowers the tolerance: per cent kept, by a named cause. House scale: adjust it to your room. */
export interface ToleranceFactor {
  id: string
  sentence: string
  percent: number
  source: string
}

const factor = (id: string, sentence: string, percent: number): ToleranceFactor => ({
  id,
  sentence,
  percent,
  source: `${COMMON_PRACTICE}; house scale`,
})

/** A resilient adult's tolerance on a reference region, hundredths. */
export const RESILIENT_TOLERANCE = 500

export const SENSITIVITY_FACTORS: readonly ToleranceFactor[] = [
  factor('tolerance-sens-0', 'not sensitive', 100),
  factor('tolerance-sens-1', 'hardly sensitive', 85),
  factor('tolerance-sens-2', 'sensitive', 65),
  factor('tolerance-sens-3', 'very sensitive', 40),
  factor('tolerance-sens-4', 'reacts to nearly everything', 15),
]
export const REDNESS_FACTORS: readonly ToleranceFactor[] = [
  factor('tolerance-red-0', 'no redness', 100),
  factor('tolerance-red-1', 'faint redness', 80),
  factor('tolerance-red-2', 'mild redness', 40),
  factor('tolerance-red-3', 'moderate redness', 10),
  factor('tolerance-red-4', 'severe redness', 0),
]
export const WATER_FACTORS: readonly ToleranceFactor[] = [
  factor('tolerance-water-0', 'parched', 70),
  factor('tolerance-water-1', 'thirsty', 85),
  factor('tolerance-water-2', 'enough water', 100),
  factor('tolerance-water-3', 'well watered', 100),
  factor('tolerance-water-4', 'plump', 100),
]
export const AGE_FACTORS: readonly (ToleranceFactor & { from: number })[] = [
  { ...factor('tolerance-age-75', 'skin over 75', 60), from: 75 },
  { ...factor('tolerance-age-60', 'skin over 60', 80), from: 60 },
]
export const UNREAD_FACTOR = factor('tolerance-unread', 'not read yet: taken as sensitive', 50)

/** Thinner skin bears less of the same work: per cent of the load that counts there. */
export const THICKNESS: Readonly<Record<RegionId, number>> = {
  forehead: 100,
  temples: 120,
  eyes: 200,
  nose: 90,
  cheekL: 110,
  cheekR: 110,
  mouth: 130,
  chin: 90,
  jawL: 100,
  jawR: 100,
  neck: 150,
  decollete: 130,
}

/** Besides what takes something off: work that asks more of warm skin (common practice). */
export const FEELS_HEAT: readonly FamilyId[] = ['vacuum']
/** Shares that are said in a word, per cent. */
export const SHARE_WORDS: Readonly<Record<number, string>> = {
  25: 'a quarter',
  50: 'half',
  75: 'three quarters',
  100: 'all',
}
