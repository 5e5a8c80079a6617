import { GROUPS, nameRegions } from '../face/regions'
import { REGION_IDS, ZONES, type RegionId } from '../face/zones'
import {
  CONDITION_WORDS,
  TYPE_TITLES,
  type ConditionId,
  type SkinType,
} from '../catalogue/skin/conditions'
import { CONDITION_ROWS, MARKED_FROM, MATURE_FROM, TYPE_LIMITS } from '../catalogue/skin/thresholds'
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

interface Evidence {
  region: RegionId
  text: string
}
interface ProfileLine {
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
  /** What else is to be known of the skin: not read, vessels, thin. */
  notes: readonly string[]
  /** Share of regions fully read, 0–1. Unread regions are planned as sensitive. */
  confidence: number
  age?: number
}

const mean = (values: readonly number[]) =>
  values.reduce((one, other) => one + other, 0) / values.length

/**
 * Type and conditions from readings by zone, each with its evidence.
 * Combination: T-zone oil at least two grades above the cheeks. Dehydrated lacks water and may be
 * of any type; dry lacks oil. Common practice.
 */
export function deriveProfile(readings: Readings, age?: number, whole: WholeReading = {}): Profile {
  const regions = Object.fromEntries(
    REGION_IDS.map((region) => [region, readRegion(readings, region)]),
  ) as Record<RegionId, ZoneReading>
  const { type, line, typeEvidence } = typeLine(regions, whole)
  const seen = seenConditions(regions, age, whole).map((own) => heldAgainst(own, whole))
  const added = addedConditions(whole, seen)
  const unread = unreadRegions(readings)
  return {
    type,
    typeEvidence,
    conditions: [...seen.filter((own) => own.stands), ...added].map((own) => own.line.id),
    lines: [line, ...seen.map((own) => own.line), ...added.map((own) => own.line)],
    regions,
    unread,
    notes: notesOf(regions, unread),
    confidence: 1 - unread.length / REGION_IDS.length,
    ...(age === undefined ? {} : { age }),
  }
}

/** From this grade on vessels, thinness and tension are named. */
const NAMED_FROM = 2
function notesOf(
  regions: Record<RegionId, ZoneReading>,
  unread: readonly RegionId[],
): readonly string[] {
  const at = (id: 'vessels' | 'fragility' | 'tension') =>
    REGION_IDS.filter((region) => (regions[region][id] ?? 0) >= NAMED_FROM)
  const vessels = at('vessels')
  const thin = at('fragility')
  const tense = at('tension')
  return [
    ...(unread.length > 0 && unread.length < REGION_IDS.length
      ? [`Not read: ${nameRegions(unread)}; planned as sensitive`]
      : []),
    ...(vessels.length > 0 ? [`Vessels: ${nameRegions(vessels)}`] : []),
    ...(thin.length > 0 ? [`Thin: ${nameRegions(thin)}`] : []),
    ...(tense.length > 0 ? [`Tense: ${nameRegions(tense)}`] : []),
  ]
}

type ConditionLine = ProfileLine & { id: ConditionId }

function typeLine(regions: Record<RegionId, ZoneReading>, whole: WholeReading) {
  const { type: readType, typeEvidence } = deriveType(regions)
  const other = whole.overruled?.find((seen) => seen.line === 'type')
  const type = other ? (other.say as SkinType) : readType
  const line: ProfileLine = {
    id: 'type',
    title: TYPE_TITLES[type],
    evidence: typeEvidence,
    ...(other ? { overruled: `read as ${readType}: ${other.reason}` } : {}),
  }
  return { type, line, typeEvidence }
}

/** Every condition that the readings, the age or the phototype show. */
function seenConditions(
  regions: Record<RegionId, ZoneReading>,
  age: number | undefined,
  whole: WholeReading,
): ConditionLine[] {
  const face = GROUPS.faceNeckDecollete
  const evidence = (id: keyof ZoneReading, where: readonly RegionId[]): Evidence[] =>
    where.map((region) => ({
      region,
      text: [`${id} ${regions[region][id] ?? '–'}`, ...noticed(whole, region, id)].join(', '),
    }))
  const out = CONDITION_ROWS.flatMap(({ id, reading, atLeast, atMost }): ConditionLine[] => {
    const where = face.filter((region) => {
      const grade = regions[region][reading]
      return grade !== undefined && grade >= (atLeast ?? 0) && grade <= (atMost ?? 4)
    })
    if (where.length === 0) return []
    return [
      {
        id,
        title: `${CONDITION_WORDS[id]}: ${nameRegions(where)}`,
        evidence: evidence(reading, where),
      },
    ]
  })
  if (age !== undefined && age >= MATURE_FROM)
    out.push({
      id: 'mature',
      title: 'Mature: longer recovery',
      evidence: [{ region: 'forehead', text: `age ${age}` }],
    })
  const marked = GROUPS.face.filter((region) => (regions[region].pigment ?? 0) >= MARKED_FROM)
  const proof = [...sunEvidence(whole), ...evidence('pigment', marked)]
  if (proof.length > 0)
    out.push({ id: 'marksEasily', title: 'Marks easily: gentler and slower', evidence: proof })
  return out
}

/** A phototype that marks easily speaks for the whole face. */
function sunEvidence(whole: WholeReading): Evidence[] {
  const sun = phototypeOf(whole)
  if (!sun || sun.marks < MARKS_FROM) return []
  return [{ region: 'forehead', text: `phototype ${PHOTOTYPES[sun.marks - 1]?.name ?? ''}` }]
}

/** A line as the therapist sees it: set aside where they say no to it. */
function heldAgainst(line: ConditionLine, whole: WholeReading) {
  const other = whole.overruled?.find((seen) => seen.line === line.id && seen.say === false)
  if (!other) return { line, stands: true }
  const title = `${line.title.split(':')[0] ?? line.title}: judged differently`
  return { line: { ...line, title, overruled: other.reason }, stands: false }
}

/** What the therapist sees and the readings do not. */
function addedConditions(
  whole: WholeReading,
  seen: readonly { line: ConditionLine; stands: boolean }[],
): { line: ConditionLine }[] {
  return (whole.overruled ?? []).flatMap((other) => {
    if (other.line === 'type' || other.say !== true) return []
    const { line: id, reason } = other
    if (seen.some((own) => own.stands && own.line.id === id)) return []
    return [{ line: { id, title: CONDITION_WORDS[id], evidence: [], overruled: reason } }]
  })
}

/** One-tap observations that speak for a reading in a region. */
const noticed = (whole: WholeReading, region: RegionId, id: keyof ZoneReading): string[] => [
  ...new Set(
    (whole.observed ?? [])
      .filter((seen) => ZONES[seen.zone].regions.includes(region))
      .flatMap((seen) =>
        OBSERVATIONS.filter(
          (observation) =>
            observation.id === seen.id && observation.sets.some((stage) => stage.reading === id),
        ).map((observation) => observation.words),
      ),
  ),
]

function deriveType(regions: Record<RegionId, ZoneReading>): {
  type: SkinType
  typeEvidence: Evidence[]
} {
  const oils = (rs: readonly RegionId[]) => rs.flatMap((each) => regions[each].oil ?? [])
  const tZone = oils(GROUPS.tZone)
  const cheeks = oils(GROUPS.cheeks)
  if (tZone.length === 0 || cheeks.length === 0) return { type: 'unread', typeEvidence: [] }
  const middle = mean(tZone)
  const sides = mean(cheeks)
  const typeEvidence: Evidence[] = [
    { region: 'forehead', text: `T-zone oil ${middle.toFixed(1)} on average` },
    { region: 'cheekL', text: `cheeks oil ${sides.toFixed(1)} on average` },
  ]
  const all = mean([...tZone, ...cheeks])
  return { type: typeBy(middle - sides, all), typeEvidence }
}

function typeBy(tZoneAbove: number, all: number): SkinType {
  if (tZoneAbove >= TYPE_LIMITS.combination) return 'combination'
  if (all >= TYPE_LIMITS.oily) return 'oily'
  return all <= TYPE_LIMITS.dry ? 'dry' : 'normal'
}

/** The grade a region is planned with: unread counts as the cautious side. */
export function plannedGrade(profile: Profile, region: RegionId, id: keyof ZoneReading): Grade {
  const read = profile.regions[region][id]
  if (read !== undefined) return read
  if (MORE_READING_IDS.some((moreReading) => moreReading === id)) return 0
  return id === 'redness' ? 1 : 2
}
