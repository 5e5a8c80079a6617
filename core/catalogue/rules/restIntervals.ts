import { COMMON_PRACTICE, type FamilyId } from '../kinds'

/**
 * Rest intervals in days after strong work; they win over the ledger wherever they are stricter.
 */
export interface RestInterval {
  id: string
  after: readonly FamilyId[]
  bars: readonly FamilyId[]
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
