import type { LayoutId } from '../../catalogue/techniques/technique'
import type { Technique } from '../../catalogue/techniques/techniques'
import { GROUPS } from '../../face/regions'
import { REGION_IDS, type RegionId } from '../../face/zones'
import { feelsHeat } from '../../load/loads'
import { toleranceOf } from '../../load/tolerance'
import { spotRegions } from '../today/adapt'
import { keptToNeed, thatAsk, worthDoing } from '../today/need'
import type { Allowance } from '../today/allowed'
import type { PlanInput } from '../input'

export interface RegionSet {
  group: string
  layout: LayoutId
  regions: readonly RegionId[]
}

/**
 * Where a technique may be done: its region groups less what is barred, and each of them less the
 * skin that can bear least.
 */
export class RegionSets {
  /** What each region may still take, hundredths. */
  private readonly headroom: Readonly<Record<RegionId, number>>
  constructor(private readonly input: PlanInput) {
    this.headroom = Object.fromEntries(
      REGION_IDS.map((region) => [
        region,
        toleranceOf(input.profile, region, input.verdict.limit.tolerancePercent).hundredths -
          input.residual[region],
      ]),
    ) as Record<RegionId, number>
  }

  of(allowance: Allowance): RegionSet[] {
    const seen = new Set<string>()
    const out: RegionSet[] = []
    const add = (group: string, layout: LayoutId, usual: readonly RegionId[], named = false) => {
      const regions = named ? this.open(allowance, usual) : this.asking(allowance, usual)
      const key = regions.join()
      if (regions.length === 0 || seen.has(key)) return
      seen.add(key)
      out.push({ group, layout, regions })
    }
    for (const group of allowance.technique.groups) {
      if (group === 'body') out.push({ group, layout: 'one', regions: [] })
      else add(group, 'one', GROUPS[group])
    }
    // One tight zone must not keep the whole face from what the rest bears well.
    if (feelsHeat(allowance.technique))
      for (const regionSet of [...out]) {
        const rest = this.withoutWeakest(regionSet.regions)
        if (rest) add(`${regionSet.group}-less`, 'one', rest)
      }
    if (allowance.favourLayout.spots !== undefined)
      add('spots', 'spots', spotRegions(this.input.profile))
    ;(this.input.alsoOn?.[allowance.technique.id] ?? []).forEach((regions, i) => {
      add(`also${i}`, 'one', regions, true)
    })
    return out
  }

  /**
   * T-zone and the rest for two side by side, with the eyes where a third is for them: the usual
   * zones, and what was named besides.
   */
  byZone(list: readonly Allowance[]): { id: string; sets: RegionId[][] }[] {
    const [first, second, third] = list
    if (!first || !second) return []
    const also = (allowance: Allowance) => this.input.alsoOn?.[allowance.technique.id] ?? []
    const eyes = third ? this.asking(third, GROUPS.orbital) : []
    const out: { id: string; sets: RegionId[][] }[] = []
    const seen = new Set<string>()
    ;[GROUPS.tZone, ...also(first)].forEach((other, i) => {
      ;[GROUPS.cheeksJawNeck, ...also(second)].forEach((beside, j) => {
        const lower = i === 0 ? this.asking(first, other) : this.open(first, other)
        const rest = (j === 0 ? this.asking(second, beside) : this.open(second, beside)).filter(
          (region) => !lower.includes(region),
        )
        if (
          lower.length === 0 ||
          rest.length === 0 ||
          (third && (eyes.length === 0 || [...lower, ...rest].includes('eyes')))
        )
          return
        const key = `${lower.join()}|${rest.join()}`
        if (seen.has(key)) return
        seen.add(key)
        const named = `${i === 0 ? 'tZone' : `also${i}`}+${j === 0 ? 'rest' : `also${j}`}`
        out.push({
          id: third ? `${named}+eyes` : named,
          sets: third ? [lower, rest, eyes] : [lower, rest],
        })
      })
    })
    return out
  }

  /** What today allows of some zones. */
  private open({ barred }: Allowance, regions: readonly RegionId[]): RegionId[] {
    return regions.filter((region) => !barred.has(region))
  }

  /** The same, kept to the zones that ask for the work; none where too few of those are open. */
  private asking(allowance: Allowance, regions: readonly RegionId[]): RegionId[] {
    const { technique } = allowance
    const wanted = thatAsk(technique, this.planned(technique, regions), this.input)
    const open = this.open(allowance, wanted)
    return worthDoing(technique, wanted, open, this.input) ? open : []
  }

  /** Of some zones those it was planned for; nothing moves to others when the skin is read again. */
  private planned(technique: Technique, regions: readonly RegionId[]): readonly RegionId[] {
    const { within } = this.input
    if (!within || !keptToNeed(technique)) return regions
    const own = within.filter((step) => step.technique === technique.id)
    return regions.filter((region) => own.some((step) => step.regions.includes(region)))
  }

  /** A set less the few regions that can bear least, where they stand alone in that. */
  private withoutWeakest(regions: readonly RegionId[]): readonly RegionId[] | undefined {
    const least = Math.min(...regions.map((region) => this.headroom[region]))
    const rest = regions.filter((region) => this.headroom[region] > least)
    return rest.length * 2 > regions.length ? rest : undefined
  }
}
