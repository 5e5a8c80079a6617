import { GROUPS, nameRegions } from '../face/regions'
import { REGION_IDS, type RegionId } from '../face/zones'
import { readRegion, unreadRegions, type Grade, type Readings, type ZoneReading } from './readings'

export interface Evidence { region: RegionId, text: string }
export interface ProfileLine { id: string, title: string, evidence: readonly Evidence[] }

export type SkinType = 'dry' | 'normal' | 'combination' | 'oily' | 'unread'
export const CONDITION_IDS = ['dehydrated', 'sensitive', 'reactive', 'congested', 'mature'] as const
export type ConditionId = (typeof CONDITION_IDS)[number]

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
const TYPE_TITLES: Record<SkinType, string> = {
  dry: 'Dry: lacks oil', normal: 'Normal', combination: 'Combination: T-zone oilier than cheeks', oily: 'Oily', unread: 'Type not read yet',
}

/**
 * Type and conditions from readings by zone, each with its evidence.
 * Combination: T-zone oil at least two grades above the cheeks. Dehydrated lacks water and may be of any type; dry lacks oil. Common practice.
 */
export function deriveProfile(readings: Readings, age?: number): Profile {
  const regions = Object.fromEntries(REGION_IDS.map((r) => [r, readRegion(readings, r)])) as Record<RegionId, ZoneReading>
  const pick = (id: keyof ZoneReading, rs: readonly RegionId[], test: (g: Grade) => boolean): RegionId[] =>
    rs.filter((r) => { const g = regions[r][id]; return g !== undefined && test(g) })
  const evidence = (id: keyof ZoneReading, rs: readonly RegionId[]): Evidence[] => rs.map((r) => ({ region: r, text: `${id} ${regions[r][id] ?? '–'}` }))

  const { type, typeEvidence } = deriveType(regions)
  const face = GROUPS.faceNeckDecollete
  const dehydrated = pick('water', face, (g) => g <= 1)
  const sensitive = pick('sensitivity', face, (g) => g >= 2)
  const reactive = pick('redness', face, (g) => g >= 2)
  const congested = pick('congestion', face, (g) => g >= 2)

  const lines: ProfileLine[] = [{ id: 'type', title: TYPE_TITLES[type], evidence: typeEvidence }]
  const conditions: ConditionId[] = []
  const condition = (id: ConditionId, title: string, proof: readonly Evidence[]) => { conditions.push(id); lines.push({ id, title, evidence: proof }) }
  if (dehydrated.length > 0) condition('dehydrated', `Dehydrated: ${nameRegions(dehydrated)}`, evidence('water', dehydrated))
  if (sensitive.length > 0) condition('sensitive', `Sensitive: ${nameRegions(sensitive)}`, evidence('sensitivity', sensitive))
  if (reactive.length > 0) condition('reactive', `Reddens easily: ${nameRegions(reactive)}`, evidence('redness', reactive))
  if (congested.length > 0) condition('congested', `Congested: ${nameRegions(congested)}`, evidence('congestion', congested))
  if (age !== undefined && age >= 60) condition('mature', 'Mature: longer recovery', [{ region: 'forehead', text: `age ${age}` }])

  const unread = unreadRegions(readings)
  return { type, typeEvidence, conditions, lines, regions, unread, confidence: 1 - unread.length / REGION_IDS.length, ...(age === undefined ? {} : { age }) }
}

function deriveType(regions: Record<RegionId, ZoneReading>): { type: SkinType, typeEvidence: Evidence[] } {
  const oils = (rs: readonly RegionId[]) => rs.flatMap((r) => regions[r].oil ?? [])
  const tZone = oils(GROUPS.tZone)
  const cheeks = oils(GROUPS.cheeks)
  if (tZone.length === 0 || cheeks.length === 0) return { type: 'unread', typeEvidence: [] }
  const t = mean(tZone)
  const c = mean(cheeks)
  const typeEvidence: Evidence[] = [
    { region: 'forehead', text: `T-zone oil ${t.toFixed(1)} on average` }, { region: 'cheekL', text: `cheeks oil ${c.toFixed(1)} on average` },
  ]
  const all = mean([...tZone, ...cheeks])
  const type: SkinType = t - c >= 2 ? 'combination' : all >= 2.6 ? 'oily' : all <= 1.2 ? 'dry' : 'normal'
  return { type, typeEvidence }
}

/** The grade a region is planned with: unread counts as the cautious side. */
export function plannedGrade(profile: Profile, region: RegionId, id: keyof ZoneReading): Grade {
  const read = profile.regions[region][id]
  if (read !== undefined) return read
  return id === 'sensitivity' ? 2 : id === 'redness' ? 1 : 2
}
