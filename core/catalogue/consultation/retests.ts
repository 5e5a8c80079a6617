import type { FindingId } from './findings'
import { COMMON_PRACTICE } from '../kinds'

/** What makes an earlier patch test count no longer, besides a reaction and its age. */
export interface Retest {
  id: string
  after: 'illness' | 'newMedicine'
  findings: readonly FindingId[]
  why: string
  source: string
}
export const RETESTS: readonly Retest[] = [
  {
    id: 'retest-illness',
    after: 'illness',
    findings: ['fever', 'infection', 'eyeInfection'],
    why: 'an illness since the last test',
    source: COMMON_PRACTICE,
  },
  {
    id: 'retest-medicine',
    after: 'newMedicine',
    findings: [],
    why: 'a new medicine since the last test',
    source: COMMON_PRACTICE,
  },
]
