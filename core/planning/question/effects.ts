import {
  EFFECT_SCALE,
  ASKS_FROM,
  BODY_SHARE,
  CONCERN_NEED,
  LEAST_LOCAL_SHARE,
  REGION_SHARE,
} from '../../catalogue/rules/value'
import { ALL_PERCENT } from '../../units'
import type { ConcernId } from '../../catalogue/kinds'
import type { Technique } from '../../catalogue/techniques/techniques'
import { needOf } from '../today/need'
import { REGION_IDS, type RegionId } from '../../face/zones'
import type { Profile } from '../../skin/profile'

/**
 * What one technique does for each aim on one skin: technique effect × need × share of the regions,
 * rounded once.
 */
export class Effects {
  private readonly needs: readonly Readonly<Record<RegionId, number>>[]
  private readonly body: readonly number[]
  constructor(
    profile: Profile,
    private readonly aims: readonly ConcernId[],
  ) {
    this.needs = aims.map((aim) => {
      const whole = wholeOf(profile, aim)
      return Object.fromEntries(
        REGION_IDS.map((region) => [
          region,
          (needOf(profile, aim, region) * REGION_SHARE[region] * ALL_PERCENT) / whole,
        ]),
      ) as Record<RegionId, number>
    })
    this.body = aims.map((aim) => {
      const need = CONCERN_NEED[aim]
      return 'constant' in need && !need.only ? BODY_SHARE * need.constant : 0
    })
  }

  /** @param share of the longest useful minutes, 0–1; less work does less, by its root */
  of(technique: Technique, regions: readonly RegionId[], share: number): number[] {
    return this.aims.map((aim, i) => {
      const strength = technique.effects[aim] ?? 0
      if (strength === 0) return 0
      const own = this.needs[i]
      const sum =
        regions.length === 0
          ? (this.body[i] ?? 0)
          : regions.reduce((acc, region) => acc + (own?.[region] ?? 0), 0)
      return Math.round((strength * sum * Math.sqrt(share)) / EFFECT_SCALE)
    })
  }
}

/** What a concern is measured against, per cent: the whole, or where it is local the zones showing it. */
function wholeOf(profile: Profile, aim: ConcernId): number {
  if (!('local' in CONCERN_NEED[aim])) return ALL_PERCENT
  const showing = REGION_IDS.filter((region) => needOf(profile, aim, region) >= ASKS_FROM)
  const share = showing.reduce((sum, region) => sum + REGION_SHARE[region], 0)
  return share === 0 ? ALL_PERCENT : Math.max(LEAST_LOCAL_SHARE, share)
}
