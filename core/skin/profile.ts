import { GROUPS, nameRegions } from '../face/regions'
import { REGION_IDS, ZONES, type RegionId } from '../face/zones'
import {
  CONDITION_WORDS,
  TYPE_TITLES,
  type ConditionId,
  type SkinType,
} from '../catalogue/skin/conditions'
import { MARKS_FROM, PHOTOTYPES } from './indices'
import { phototypeOf, type WholeReading } from './notes'
import { OBSERVATIONS } from './observations'
import {
  MORE_READING_IDS,
  readRegion,
  unreadRegions,
  type Grade,
  type Readings,
  type ZoneReading,
} from './readings'

export interface Evidence {
  region: RegionId
  text: string
}
export interface ProfileLine {
  id: 'type' | ConditionId
  title: string
  evidence: readonly Evidence[]
  /** Why the therapist sees it otherwise, where they do. */ overruled?: string
}

export interface Profile {
  type: SkinType
  typeEvidence: readonly Evidence[]
  conditions: readonly ConditionId[]
  lines: readonly ProfileLine[]
  regions: Readonly<Record<RegionId, ZoneReading>>
  unread: readonly RegionId[]
  /** Share of regions fully read, 0–1. Unread regions are planned as sensitive. */
  confidence: number
  age?: number
}

const mean = (values: readonly number[]) => values.reduce((a, b) => a + b, 0) / values.length

/**
 * Type and conditions from readings by zone, each with its evidence.
 * Combination: T-zone oil at least two grades above the cheeks. Dehydrated lacks water and may be
 * of any type; dry lacks oil. Common practice.
 */
export function deriveProfile(readings: Readings, age?: number, whole: WholeReading = {}): Profile {
  const regions = Object.fromEntries(REGION_IDS.map((r) => [r, readRegion(readings, r)])) as Record<
    RegionId,
    ZoneReading
  >
  const pick = (
    id: keyof ZoneReading,
    rs: readonly RegionId[],
    test: (g: Grade) => boolean,
  ): RegionId[] =>
    rs.filter((r) => {
      const g = regions[r][id]
      return g !== undefined && test(g)
    })
  const evidence = (id: keyof ZoneReading, rs: readonly RegionId[]): Evidence[] =>
    rs.map((r) => ({
      region: r,
      text: [`${id} ${regions[r][id] ?? '–'}`, ...noticed(whole, r, id)].join(', '),
    }))

  const { type: readType, typeEvidence } = deriveType(regions)
  const otherType = whole.overruled?.find((o) => o.line === 'type')
  const type = otherType ? (otherType.say as SkinType) : readType
  const face = GROUPS.faceNeckDecollete
  const dehydrated = pick('water', face, (g) => g <= 1)
  const sensitive = pick('sensitivity', face, (g) => g >= 2)
  const reactive = pick('redness', face, (g) => g >= 2)
  const congested = pick('congestion', face, (g) => g >= 2)

  const lines: ProfileLine[] = [
    {
      id: 'type',
      title: TYPE_TITLES[type],
      evidence: typeEvidence,
      ...(otherType ? { overruled: `read as ${readType}: ${otherType.reason}` } : {}),
    },
  ]
  const conditions: ConditionId[] = []
  const condition = (id: ConditionId, title: string, proof: readonly Evidence[]) => {
    const other = whole.overruled?.find((o) => o.line === id && o.say === false)
    if (!other) conditions.push(id)
    lines.push({
      id,
      title: other ? `${title.split(':')[0] ?? title}: set aside` : title,
      evidence: proof,
      ...(other ? { overruled: other.reason } : {}),
    })
  }
  if (dehydrated.length > 0)
    condition('dehydrated', `Dehydrated: ${nameRegions(dehydrated)}`, evidence('water', dehydrated))
  if (sensitive.length > 0)
    condition(
      'sensitive',
      `Sensitive: ${nameRegions(sensitive)}`,
      evidence('sensitivity', sensitive),
    )
  if (reactive.length > 0)
    condition('reactive', `Reddens easily: ${nameRegions(reactive)}`, evidence('redness', reactive))
  if (congested.length > 0)
    condition(
      'congested',
      `Congested: ${nameRegions(congested)}`,
      evidence('congestion', congested),
    )
  if (age !== undefined && age >= 60)
    condition('mature', 'Mature: longer recovery', [{ region: 'forehead', text: `age ${age}` }])
  const sun = phototypeOf(whole)
  const marked = pick('pigment', face, (g) => g >= 2)
  if ((sun && sun.marks >= MARKS_FROM) || marked.length > 0) {
    condition('marksEasily', 'Marks easily: gentler and slower', [
      ...(sun && sun.marks >= MARKS_FROM
        ? [
            {
              region: 'forehead' as const,
              text: `phototype ${PHOTOTYPES[sun.marks - 1]?.name ?? ''}`,
            },
          ]
        : []),
      ...evidence('pigment', marked),
    ])
  }
  for (const o of whole.overruled ?? [])
    if (o.line !== 'type' && o.say === true && !conditions.includes(o.line)) {
      conditions.push(o.line)
      lines.push({
        id: o.line,
        title: CONDITION_WORDS[o.line],
        evidence: [],
        overruled: o.reason,
      })
    }

  const unread = unreadRegions(readings)
  return {
    type,
    typeEvidence,
    conditions,
    lines,
    regions,
    unread,
    confidence: 1 - unread.length / REGION_IDS.length,
    ...(age === undefined ? {} : { age }),
  }
}

/** One-tap observations that speak for a reading in a region. */
const noticed = (whole: WholeReading, region: RegionId, id: keyof ZoneReading): string[] => [
  ...new Set(
    (whole.observed ?? [])
      .filter((o) => ZONES[o.zone].regions.includes(region))
      .flatMap((o) =>
        OBSERVATIONS.filter((x) => x.id === o.id && x.sets.some((s) => s.reading === id)).map(
          (x) => x.words,
        ),
      ),
  ),
]

function deriveType(regions: Record<RegionId, ZoneReading>): {
  type: SkinType
  typeEvidence: Evidence[]
} {
  const oils = (rs: readonly RegionId[]) => rs.flatMap((r) => regions[r].oil ?? [])
  const tZone = oils(GROUPS.tZone)
  const cheeks = oils(GROUPS.cheeks)
  if (tZone.length === 0 || cheeks.length === 0) return { type: 'unread', typeEvidence: [] }
  const t = mean(tZone)
  const c = mean(cheeks)
  const typeEvidence: Evidence[] = [
    { region: 'forehead', text: `T-zone oil ${t.toFixed(1)} on average` },
    { region: 'cheekL', text: `cheeks oil ${c.toFixed(1)} on average` },
  ]
  const all = mean([...tZone, ...cheeks])
  const type: SkinType =
    t - c >= 2 ? 'combination' : all >= 2.6 ? 'oily' : all <= 1.2 ? 'dry' : 'normal'
  return { type, typeEvidence }
}

/** The grade a region is planned with: unread counts as the cautious side. */
export function plannedGrade(profile: Profile, region: RegionId, id: keyof ZoneReading): Grade {
  const read = profile.regions[region][id]
  if (read !== undefined) return read
  if (MORE_READING_IDS.some((m) => m === id)) return 0
  return id === 'redness' ? 1 : 2
}
