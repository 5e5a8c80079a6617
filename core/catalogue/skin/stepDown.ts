import { COMMON_PRACTICE, type FamilyId } from '../kinds'
import type { Limit } from '../rules/limits'

/**
 * Why today goes one rung down from last time, and what that takes away. The rung is of the kind of
 * work where the visit itself was too much: less of the same would be the same mistake.
 */
export interface StepDownRow {
  rule: 'took-badly' | 'more-sensitive'
  /** Stopped on the whole face. */
  families: readonly FamilyId[]
  limit: Limit
  /** Regions that must read more sensitive before it counts: one alone may be the light. */
  regions?: number
  sentence: string
  source: string
}

/** One rung down: less load, one pass, steam short (house scale). */
const ONE_RUNG: Limit = { tolerancePercent: 75, passesMost: 1, steamMost: 5 }

export const STEP_DOWN_ROWS: readonly StepDownRow[] = [
  {
    rule: 'took-badly',
    families: ['acid', 'abrasion', 'needling', 'blade', 'peel'],
    limit: ONE_RUNG,
    sentence: 'Last time was too much: one rung down today, no acid and nothing strong.',
    source: COMMON_PRACTICE,
  },
  {
    rule: 'more-sensitive',
    families: [],
    limit: ONE_RUNG,
    regions: 2,
    sentence: 'More sensitive than last time: one rung down today.',
    source: COMMON_PRACTICE,
  },
]
