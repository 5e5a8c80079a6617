import { CONTRAINDICATIONS } from '../../catalogue/consultation/contraindications'
import {
  SKIN_LIMIT_ROWS,
  SKIN_ROWS,
  type SkinLimitRow,
  type SkinRow,
} from '../../catalogue/skin/readRows'
import { REGION_IDS } from '../../face/zones'
import type { Profile } from '../../skin/profile'
import { together } from './limits'
import type { Bar, Verdict } from './verdict'

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
    out = {
      ...out,
      limitRules: [...out.limitRules, { rule: row.rule, limit: own, sentence: row.sentence }],
      limit: together(out.limit, own),
    }
  }
  return out
}
