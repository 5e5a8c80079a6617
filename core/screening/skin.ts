import type { ConditionId } from '../catalogue/skin/conditions'
import { CONTRAINDICATIONS } from '../catalogue/consultation/contraindications'
import { COMMON_PRACTICE, EXFOLIATING, type FamilyId } from '../catalogue/kinds'
import { RED_FROM, RED_SKIN_BARS } from '../catalogue/rules/redSkin'
import { REGION_IDS } from '../face/zones'
import type { Profile } from '../skin/profile'
import type { AnyReadingId } from '../skin/readings'
import type { Bar, Verdict } from './verdict'

/** What a grade that was read stops in its region. Common practice. */
export interface SkinRow {
  rule: string
  reading: AnyReadingId
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

/**
 * Bars from what was read today, by region. An unread grade bars nothing here: it lowers the tolerance
 * instead.
 */
export function barsFromSkin(profile: Profile, rows: readonly SkinRow[] = SKIN_ROWS): Bar[] {
  return rows.flatMap((row) => {
    const regions = REGION_IDS.filter(
      (region) => (profile.regions[region][row.reading] ?? 0) >= row.from,
    )
    return regions.length === 0
      ? []
      : [
          {
            rule: row.rule,
            does: 'local' as const,
            families: row.families,
            regions,
            sentence: row.sentence,
            reason: row.reason,
            lifts: 'therapist' as const,
            source: row.source,
          },
        ]
  })
}

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

/**
 * The verdict with what the skin itself limits: a skin that marks easily is worked gently, whether
 * it was asked or read.
 */
export function withSkin(
  verdict: Verdict,
  profile: Profile,
  rows: readonly SkinLimitRow[] = SKIN_LIMIT_ROWS,
): Verdict {
  let out = verdict
  for (const row of rows) {
    const own = CONTRAINDICATIONS.find((contraindication) => contraindication.id === row.as)?.limit
    if (
      !own ||
      !profile.conditions.includes(row.condition) ||
      out.limitRules.some((limit) => limit.rule === row.as)
    )
      continue
    const { limit } = out
    out = {
      ...out,
      limitRules: [...out.limitRules, { rule: row.rule, limit: own, sentence: row.sentence }],
      limit: {
        steamMost: Math.min(limit.steamMost, own.steamMost ?? limit.steamMost),
        passesMost: Math.min(limit.passesMost, own.passesMost ?? limit.passesMost),
        tolerancePercent: Math.floor(
          (limit.tolerancePercent * (own.tolerancePercent ?? 100)) / 100,
        ),
      },
    }
  }
  return out
}
