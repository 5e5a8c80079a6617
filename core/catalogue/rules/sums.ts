import type { FamilyId } from '../kinds'
import { minutes, type Minutes } from '../../units'

/**
 * What adds up over a visit, whatever steps it comes in: minutes at most. The sentence and the
 * weight of each stand among the rules of the plan under the same id. House values within common
 * practice.
 */
export interface VisitSum {
  id: string
  families: readonly FamilyId[]
  most: Minutes
  /** Where the answers limit steam, that and so much more: a towel of a minute or two besides. */
  overSteam?: Minutes
}
export const VISIT_SUMS: readonly VisitSum[] = [
  { id: 'sum-heat', families: ['heat'], most: minutes(12), overSteam: minutes(2) },
  { id: 'sum-vacuum', families: ['vacuum'], most: minutes(15) },
  { id: 'sum-current', families: ['highFrequency', 'microcurrent'], most: minutes(20) },
  { id: 'sum-lamp', families: ['lamp'], most: minutes(21) },
]
