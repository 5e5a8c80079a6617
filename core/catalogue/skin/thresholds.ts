import { COMMON_PRACTICE } from '../kinds'
import type { ConditionId } from './conditions'

/**
 * From which readings on a skin is what. Grades 0–4, ages in years. Common practice; the means of
 * oil are the house's own.
 */
export const TYPE_LIMITS = {
  /** Mean oil of the T-zone above that of the cheeks. */
  combination: 2,
  /** Mean oil of T-zone and cheeks together. */
  oily: 2.6,
  dry: 1.2,
  source: `${COMMON_PRACTICE}; house scale`,
} as const

/** A condition seen in a region's reading: at least, or at most, this grade. */
interface ConditionRow {
  id: Exclude<ConditionId, 'mature' | 'marksEasily'>
  reading: 'water' | 'sensitivity' | 'redness' | 'congestion'
  atLeast?: number
  atMost?: number
  source: string
}
export const CONDITION_ROWS: readonly ConditionRow[] = [
  {
    id: 'dehydrated',
    reading: 'water',
    atMost: 1,
    source: COMMON_PRACTICE,
  },
  {
    id: 'sensitive',
    reading: 'sensitivity',
    atLeast: 2,
    source: COMMON_PRACTICE,
  },
  {
    id: 'reactive',
    reading: 'redness',
    atLeast: 2,
    source: COMMON_PRACTICE,
  },
  {
    id: 'congested',
    reading: 'congestion',
    atLeast: 2,
    source: COMMON_PRACTICE,
  },
]

/** Longer recovery from this age on. */
export const MATURE_FROM = 60
/** Marks that were read: pigment from this grade on. */
export const MARKED_FROM = 2

/** A skin that may bear two exfoliations in one visit, read everywhere. */
export const RESILIENT = {
  sensitivityMost: 1,
  rednessMost: 0,
  underAge: MATURE_FROM,
  source: `${COMMON_PRACTICE}; house scale`,
} as const

/** From this grade of redness on, what rests comes off at the short end. */
export const SHORT_DWELL_REDNESS = 2
/** Where spots are, from this grade on. */
export const SPOTTED_FROM = 1
