import { RED_FROM, RED_SKIN_BARS } from '../rules/redSkin'
import { COMMON_PRACTICE, EXFOLIATING, type FamilyId } from '../kinds'
import type { ConditionId } from './conditions'

/** What a grade that was read stops in its region. Common practice. */
export interface SkinRow {
  rule: string
  reading: 'redness' | 'vessels' | 'spots' | 'fragility'
  from: number
  families: readonly FamilyId[]
  sentence: string
  reason: string
  source: string
}
export const SKIN_ROWS: readonly SkinRow[] = (
  [
    {
      rule: 'baseline-redness',
      reading: 'redness',
      from: RED_FROM,
      families: RED_SKIN_BARS,
      sentence: 'Red already: no exfoliation, heat, pull or current there.',
      reason: 'there is no room left to see a reaction start',
    },
    {
      rule: 'read-vessels',
      reading: 'vessels',
      from: 2,
      families: ['friction', 'abrasion', 'vacuum', 'heat'],
      sentence: 'Vessels seen: no grain, tip, vacuum or heat there.',
      reason: 'vessels widen and stay',
    },
    {
      rule: 'read-spots',
      reading: 'spots',
      from: 3,
      families: [
        'friction',
        'abrasion',
        'needling',
        'blade',
        'vacuum',
        'ultrasound',
        'massage',
        'extraction',
        'heat',
      ],
      sentence: 'Pustules: nothing that rubs, presses, pulls, heats or cuts passes over them.',
      reason: 'it opens and spreads them',
    },
    {
      rule: 'read-nodules',
      reading: 'spots',
      from: 4,
      families: [...EXFOLIATING, 'vacuum', 'ultrasound', 'massage', 'extraction', 'heat'],
      sentence:
        'Nodules or cysts: no exfoliation, extraction, heat or massage there. Looks like something ' +
        'for a doctor: do not treat it here.',
      reason: 'they lie deep, and pressure bursts them inwards',
    },
    {
      rule: 'read-thin',
      reading: 'fragility',
      from: 3,
      families: ['friction', 'abrasion', 'vacuum', 'needling', 'blade'],
      sentence: 'Very thin skin: nothing that rubs, pulls or cuts there.',
      reason: 'it tears and bruises',
    },
  ] satisfies Omit<SkinRow, 'source'>[]
).map((row) => ({ ...row, source: COMMON_PRACTICE }))

/** A condition that was read limits just as the answer to a question does. */
export interface SkinLimitRow {
  rule: string
  condition: ConditionId
  /** The row of the questions whose limits it takes. */ as: string
  sentence: string
  source: string
}
export const SKIN_LIMIT_ROWS: readonly SkinLimitRow[] = [
  {
    rule: 'read-marks',
    condition: 'marksEasily',
    as: 'marks-gentle',
    sentence: 'Marks easily, as read: abrasion and heat at low load.',
    source: COMMON_PRACTICE,
  },
]
