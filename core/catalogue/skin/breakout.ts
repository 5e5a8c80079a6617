import { COMMON_PRACTICE, EXFOLIATING, type FamilyId } from '../kinds'

/**
 * How a breakout is met by its severity: the row of the greatest severity that is reached holds for
 * the whole face, and what it stops comes back only some days after it was last read.
 */
export interface BreakoutRow {
  rule: string
  /** Spots of this grade or more … */ from: number
  /** … in at least so many regions. */ regions: number
  families: readonly FamilyId[]
  /** Days from the reading until what it stops may come back. */ days: number
  sentence: string
  later: string
  source: string
}

const GENTLE: readonly FamilyId[] = [
  'friction',
  'acid',
  'peel',
  'abrasion',
  'vacuum',
  'needling',
  'blade',
  'leaveOnActive',
]

/** The most severe first. Pustules are grade 3, nodules 4. */
export const BREAKOUT_ROWS: readonly BreakoutRow[] = [
  {
    rule: 'breakout-calm',
    from: 4,
    regions: 3,
    families: [...new Set([...GENTLE, ...EXFOLIATING])].concat([
      'ultrasound',
      'extraction',
      'heat',
      'massage',
    ]),
    days: 28,
    sentence:
      'Nodules in several zones: a calm cleanse and mask only. Looks like something for a doctor.',
    later: 'Nodules at the last visit: actives and deeper work come back after four weeks',
    source: COMMON_PRACTICE,
  },
  {
    rule: 'breakout-gentle',
    from: 3,
    regions: 4,
    families: GENTLE,
    days: 14,
    sentence: 'Pustules in several zones: gentle work only, nothing active.',
    later: 'A breakout at the last visit: actives come back after two weeks',
    source: COMMON_PRACTICE,
  },
]
