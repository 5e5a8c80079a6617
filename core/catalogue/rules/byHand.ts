import { minutes } from '../../units'
import { COMMON_PRACTICE, type FamilyId, type StageId } from '../kinds'
import { KNEADED } from './room'

/**
 * How long a medium glides, by its film. House scale: skin takes up so many milligrams a square
 * centimetre each minute and a share of what lies on it, more on dry skin; below six tenths of what was
 * laid, or a film so thin, the hand begins to drag. A thin start of oil is topped up within five minutes,
 * a gel laid thick glides a quarter of an hour.
 */
export const SLIP = {
  id: 'slip-drags',
  sentence:
    'A medium is topped up before the hand begins to drag, sooner on dry skin and thin films.',
  milligramsPerMinute: 0.015,
  sharePerMinute: 0.033,
  dryFactor: 1.6,
  dragsBelow: 0.6,
  dragsBelowMilligrams: 0.2,
  /** Oil drops are smaller than water's. */
  oilDropMl: 0.035,
  source: COMMON_PRACTICE,
} as const

/** How the minutes of a step are shared out: by the area of each zone, and more by what was read there. */
export interface StaysLonger {
  id: string
  title: string
  sentence: string
  /** The stage, or the family, of what is worked so. */
  stage?: StageId
  family?: FamilyId
  /** Readings of which the highest counts, 0 to 4. */
  on: readonly ('tension' | 'spots' | 'congestion')[]
  /** Share of its time that each grade adds. */
  sharePerGrade: number
  /** From this grade on it is said of a zone, and how. */
  saidFrom: number
  says: string
  source: string
}
/** House value: twice the time a square centimetre from grade 2 on. */
const longer = { sharePerGrade: 0.5, saidFrom: 2, source: COMMON_PRACTICE }
export const STAYS_LONGER: readonly StaysLonger[] = [
  {
    id: 'massage-shares',
    title: 'a massage',
    sentence: 'A massage takes its minutes by area, and longer where the hand found tension.',
    stage: KNEADED,
    on: ['tension'],
    says: 'tense, longer here',
    ...longer,
  },
  {
    id: 'spark-shares',
    title: 'high frequency',
    sentence:
      'High frequency takes its minutes by area, and longer where the skin breaks out or is congested.',
    family: 'highFrequency',
    on: ['spots', 'congestion'],
    says: 'prone, longer here',
    ...longer,
  },
]

/** When the room says that a step does not find the skin as it needs it. House value. */
export const SKIN_NOW = {
  id: 'skin-now',
  sentence:
    'A step says when the skin is not as it needs it, by what was done; half a minute either way does not count.',
  grace: minutes(0.5),
  source: COMMON_PRACTICE,
} as const

/** A device is tried before it is stepped up. House value within common practice. */
export const LADDER = {
  id: 'device-ladder',
  sentence: 'A level is tried on a spot for a minute; one notch stronger only after it was calm.',
  tried: minutes(1),
  source: COMMON_PRACTICE,
} as const
