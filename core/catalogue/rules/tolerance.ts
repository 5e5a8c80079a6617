import type { RegionId } from '../../face/zones'
import { COMMON_PRACTICE } from '../kinds'

/** What lowers the rim: per cent kept, by a named cause. House scale: adjust it to your room. */
export interface RimFactor {
  id: string
  sentence: string
  percent: number
  source: string
}

const factor = (id: string, sentence: string, percent: number): RimFactor => ({
  id,
  sentence,
  percent,
  source: `${COMMON_PRACTICE}; house scale`,
})

/** A resilient adult's rim on a reference region, hundredths. */
export const RESILIENT_RIM = 500

export const SENSITIVITY_FACTORS: readonly RimFactor[] = [
  factor('rim-sens-0', 'not sensitive', 100),
  factor('rim-sens-1', 'hardly sensitive', 85),
  factor('rim-sens-2', 'sensitive', 65),
  factor('rim-sens-3', 'very sensitive', 40),
  factor('rim-sens-4', 'reacts to nearly everything', 15),
]
export const REDNESS_FACTORS: readonly RimFactor[] = [
  factor('rim-red-0', 'no redness', 100),
  factor('rim-red-1', 'faint redness', 80),
  factor('rim-red-2', 'mild redness', 40),
  factor('rim-red-3', 'moderate redness', 10),
  factor('rim-red-4', 'severe redness', 0),
]
export const WATER_FACTORS: readonly RimFactor[] = [
  factor('rim-water-0', 'parched', 70),
  factor('rim-water-1', 'thirsty', 85),
  factor('rim-water-2', 'enough water', 100),
  factor('rim-water-3', 'well watered', 100),
  factor('rim-water-4', 'plump', 100),
]
export const AGE_FACTORS: readonly (RimFactor & { from: number })[] = [
  { ...factor('rim-age-75', 'skin over 75', 60), from: 75 },
  { ...factor('rim-age-60', 'skin over 60', 80), from: 60 },
  { ...factor('rim-age-0', 'age', 100), from: 0 },
]
export const UNREAD_FACTOR = factor('rim-unread', 'not read yet: taken as sensitive', 50)

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

/**
 * Rest intervals in days after strong work; they win over the ledger wherever they are stricter.
 */
export interface RestInterval {
  id: string
  after: readonly string[]
  bars: readonly string[]
  days: number
  sentence: string
  source: string
}
export const REST_INTERVALS: readonly RestInterval[] = [
  {
    id: 'rest-tip',
    after: ['abrasion'],
    bars: ['friction', 'enzyme', 'acid', 'abrasion', 'needling', 'blade'],
    days: 28,
    sentence: 'four weeks without exfoliation after the tip',
    source: COMMON_PRACTICE,
  },
  {
    id: 'rest-needling',
    after: ['needling'],
    bars: ['friction', 'enzyme', 'acid', 'abrasion', 'needling', 'blade'],
    days: 28,
    sentence: 'four weeks without exfoliation after needling',
    source: COMMON_PRACTICE,
  },
  {
    id: 'rest-enzyme',
    after: ['enzyme', 'acid'],
    bars: ['friction', 'enzyme', 'acid', 'abrasion', 'needling', 'blade'],
    days: 7,
    sentence: 'a week after enzyme or acid',
    source: COMMON_PRACTICE,
  },
  {
    id: 'rest-grain',
    after: ['friction'],
    bars: ['friction', 'enzyme', 'acid', 'abrasion', 'needling'],
    days: 3,
    sentence: 'three days after grains',
    source: COMMON_PRACTICE,
  },
  {
    id: 'rest-blade',
    after: ['blade'],
    bars: ['friction', 'enzyme', 'acid', 'abrasion', 'needling', 'blade'],
    days: 14,
    sentence: 'two weeks after the blade',
    source: COMMON_PRACTICE,
  },
  {
    id: 'rest-peel',
    after: ['peel'],
    bars: ['friction', 'enzyme', 'acid', 'peel', 'abrasion', 'needling', 'blade'],
    days: 28,
    sentence: 'four weeks after a salon peel',
    source: COMMON_PRACTICE,
  },
  {
    id: 'rest-spatula',
    after: ['ultrasound'],
    bars: ['ultrasound'],
    days: 7,
    sentence: 'once a week at most',
    source: COMMON_PRACTICE,
  },
  {
    id: 'rest-vacuum',
    after: ['vacuum'],
    bars: ['vacuum'],
    days: 7,
    sentence: 'once a week at most',
    source: COMMON_PRACTICE,
  },
  {
    id: 'rest-lamp',
    after: ['lamp'],
    bars: ['lamp'],
    days: 3,
    sentence: 'twice a week at most',
    source: COMMON_PRACTICE,
  },
  {
    id: 'rest-clay',
    after: ['clay'],
    bars: ['clay'],
    days: 5,
    sentence: 'once a week',
    source: COMMON_PRACTICE,
  },
  {
    id: 'rest-covering',
    after: ['covering'],
    bars: ['covering'],
    days: 5,
    sentence: 'once a week',
    source: COMMON_PRACTICE,
  },
  {
    id: 'rest-hf',
    after: ['highFrequency'],
    bars: ['highFrequency'],
    days: 7,
    sentence: 'once a week at most',
    source: COMMON_PRACTICE,
  },
]
