import type { LayoutId } from '../../catalogue/techniques/technique'
import type { Technique } from '../../catalogue/techniques/techniques'
import { LEAST_LOCAL_SHARE, REGION_SHARE } from '../../catalogue/rules/value'
import { GROUPS } from '../../face/regions'
import { REGION_IDS, type RegionId } from '../../face/zones'
import { feelsHeat } from '../../load/loads'
import { toleranceOf } from '../../load/tolerance'
import { spotRegions } from '../today/adapt'
import { keptToNeed, thatAsk, worthDoing } from '../today/need'
import type { Allowance } from '../today/allowance'
import type { PlanInput } from '../input'

interface RegionSet {
  group: string
  layout: LayoutId
  regions: readonly RegionId[]
}

/** Disjoint sets for what is laid side by side. */
interface ZoneSets {
  id: string
  layout: LayoutId
  sets: RegionId[][]
}
interface NamedSet {
  name: string
  layout: LayoutId
  regions: RegionId[]
}

/** Broad enough to be laid on beside another: not the neck alone. */
const isBroad = (regions: readonly RegionId[]): boolean =>
  regions.reduce((sum, id) => sum + REGION_SHARE[id], 0) >= LEAST_LOCAL_SHARE

/** The group that these regions are, or that they are those that ask. */
const groupNamed = (regions: readonly RegionId[]): string =>
  Object.entries(GROUPS).find(
    ([, own]) => own.length === regions.length && own.every((id) => regions.includes(id)),
  )?.[0] ?? 'asked'

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
    const exact = allowance.work?.exact
    if (exact) {
      add(
        groupNamed(exact.regions),
        this.layoutOf(allowance, exact.regions, 'one'),
        exact.regions,
        true,
      )
      return out
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
    return out
  }

  /**
   * T-zone and the rest for two side by side, with the eyes where a third is for them; spots and all
   * the rest, where the first is laid on spots only; the usual zones, and what was named besides.
   */
  byZone(list: readonly Allowance[]): ZoneSets[] {
    const [first, second, third] = list
    if (!first || !second) return []
    const eyes = third ? this.asking(third, GROUPS.orbital) : []
    const out = new Map<string, ZoneSets>()
    for (const one of this.firstSets(first))
      for (const other of this.secondSets(second, one.layout)) {
        const rest = other.regions.filter((region) => !one.regions.includes(region))
        const laid = [...one.regions, ...rest]
        if (one.regions.length === 0 || !isBroad(rest)) continue
        if (third && (eyes.length === 0 || laid.includes('eyes'))) continue
        const key = `${one.regions.join()}|${rest.join()}`
        const id = `${one.name}+${other.name}`
        if (!out.has(key))
          out.set(key, {
            id: third ? `${id}+eyes` : id,
            layout: one.layout,
            sets: third ? [one.regions, rest, eyes] : [one.regions, rest],
          })
      }
    return [...out.values()]
  }

  /** Where the first of two side by side may lie. */
  private firstSets(allowance: Allowance): NamedSet[] {
    const exact = allowance.work?.exact
    if (exact) {
      const regions = this.open(allowance, exact.regions)
      return [{ name: 'asked', layout: this.layoutOf(allowance, regions, 'byZone'), regions }]
    }
    const spots = allowance.favourLayout.spots === undefined ? [] : spotRegions(this.input.profile)
    return [
      { name: 'tZone', layout: 'byZone', regions: this.asking(allowance, GROUPS.tZone) },
      { name: 'spots', layout: 'spots', regions: this.open(allowance, spots) },
    ]
  }

  /** Where the other may lie: beside spots on all the rest of the face. */
  private secondSets(allowance: Allowance, beside: LayoutId): NamedSet[] {
    const usual = beside === 'spots' ? GROUPS.faceNeck : GROUPS.cheeksJawNeck
    return [{ name: 'rest', layout: 'byZone', regions: this.asking(allowance, usual) }]
  }

  /** What is named lies on spots where all of it does, and where spots have a mask of their own. */
  private layoutOf(
    { favourLayout }: Allowance,
    regions: readonly RegionId[],
    otherwise: LayoutId,
  ): LayoutId {
    if (favourLayout.spots === undefined) return otherwise
    const spots = spotRegions(this.input.profile)
    return regions.every((region) => spots.includes(region)) ? 'spots' : otherwise
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
