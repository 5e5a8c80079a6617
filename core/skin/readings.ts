import { zonesOf } from '../face/regions'
import { REGION_IDS, ZONE_IDS, type RegionId, type ZoneId } from '../face/zones'

export const READING_IDS = ['oil', 'water', 'redness', 'congestion', 'sensitivity'] as const
/** The five that every plan stands on; a region without one of them counts as not fully read. */
export type ReadingId = (typeof READING_IDS)[number]
/**
 * Read where there is something to see; unread they say nothing. Spots is the worst lesion: none,
 * comedone, papule, pustule, nodule. Tension is the muscle's, under the hand.
 */
export const MORE_READING_IDS = [
  'texture',
  'vessels',
  'pigment',
  'lines',
  'fragility',
  'spots',
  'tension',
] as const
type MoreReadingId = (typeof MORE_READING_IDS)[number]
export type AnyReadingId = ReadingId | MoreReadingId
export const ALL_READING_IDS: readonly AnyReadingId[] = [...READING_IDS, ...MORE_READING_IDS]
export type Grade = 0 | 1 | 2 | 3 | 4
export const GRADES: readonly Grade[] = [0, 1, 2, 3, 4]
export const MOST_GRADE: Grade = 4

export type ZoneReading = Partial<Record<AnyReadingId, Grade>>
/** Readings by zone. A missing zone or reading was not read: it never counts as zero. */
export type Readings = Partial<Record<ZoneId, ZoneReading>>

export const GRADE_WORDS: Readonly<
  Record<AnyReadingId, readonly [string, string, string, string, string]>
> = {
  oil: ['no oil', 'little oil', 'balanced', 'oily', 'very oily'],
  water: ['parched', 'thirsty', 'enough water', 'well watered', 'plump'],
  redness: ['clear', 'almost clear', 'mild', 'moderate', 'severe'],
  congestion: ['clear', 'a few', 'some', 'many', 'packed'],
  sensitivity: ['calm', 'pinks, fades', 'pinks and stays', 'stings', 'reacts to touch'],
  texture: ['smooth', 'almost smooth', 'uneven', 'rough', 'very rough'],
  vessels: ['none', 'one or two', 'some', 'many', 'a network'],
  pigment: ['even', 'a little uneven', 'some marks', 'many marks', 'large patches'],
  lines: ['none', 'fine', 'in motion', 'at rest', 'deep'],
  fragility: ['firm', 'a little thin', 'thin', 'very thin', 'like paper'],
  spots: ['none', 'comedones', 'papules', 'pustules', 'nodules'],
  tension: ['soft', 'a little firm', 'firm', 'tight', 'like a cord'],
}
export const READING_NAMES: Readonly<Record<AnyReadingId, string>> = {
  oil: 'Oil',
  water: 'Water',
  redness: 'Redness',
  congestion: 'Congestion',
  sensitivity: 'Sensitivity',
  texture: 'Texture',
  vessels: 'Vessels',
  pigment: 'Pigment',
  lines: 'Lines',
  fragility: 'Thinness',
  spots: 'Spots',
  tension: 'Tension',
}

/** The strictest zone speaks for its region: the most of everything, the least of water. */
export function readRegion(readings: Readings, region: RegionId): ZoneReading {
  const out: ZoneReading = {}
  for (const zone of zonesOf(region)) {
    const given = readings[zone]
    if (!given) continue
    for (const id of ALL_READING_IDS) {
      const grade = given[id]
      if (grade === undefined) continue
      const before = out[id]
      out[id] = before === undefined ? grade : stricter(id, before, grade)
    }
  }
  return out
}

function stricter(id: AnyReadingId, one: Grade, other: Grade): Grade {
  return (id === 'water' ? one < other : one > other) ? one : other
}

/** Regions of which one of the main readings is missing. */
export function unreadRegions(readings: Readings): RegionId[] {
  return REGION_IDS.filter((region) => {
    const found = readRegion(readings, region)
    return READING_IDS.some((id) => found[id] === undefined)
  })
}

interface Change {
  zone: ZoneId
  reading: AnyReadingId
  before: Grade
  after: Grade
}

/**
 * What differs between two readings by more than `repeatability` grades (eye and finger repeat
 * within none on this scale).
 */
export function changedReadings(before: Readings, after: Readings, repeatability = 0): Change[] {
  const out: Change[] = []
  for (const zone of ZONE_IDS)
    for (const reading of ALL_READING_IDS) {
      const one = before[zone]?.[reading]
      const other = after[zone]?.[reading]
      if (one !== undefined && other !== undefined && Math.abs(one - other) > repeatability)
        out.push({ zone, reading, before: one, after: other })
    }
  return out
}

/** Later readings laid over earlier ones, zone by zone and reading by reading. */
export function overlay(first: Readings, second: Readings): Readings {
  const out: Readings = {}
  for (const zone of ZONE_IDS) {
    const merged: ZoneReading = {}
    for (const reading of ALL_READING_IDS) {
      const grade = second[zone]?.[reading] ?? first[zone]?.[reading]
      if (grade !== undefined) merged[reading] = grade
    }
    if (Object.keys(merged).length > 0) out[zone] = merged
  }
  return out
}

/** What is looked at again on bare skin: what make-up hides. */
export const SECOND_READING_IDS: readonly AnyReadingId[] = [
  'redness',
  'sensitivity',
  'water',
  'oil',
  'congestion',
  'vessels',
  'spots',
]

/** Whether a second reading says anything else than the first. */
export const changesReading = (first: Readings, second: Readings): boolean =>
  (Object.entries(second) as [ZoneId, ZoneReading | undefined][]).some(([zone, reading]) =>
    (Object.entries(reading ?? {}) as [AnyReadingId, Grade][]).some(
      ([id, grade]) => first[zone]?.[id] !== grade,
    ),
  )

/** How many zones moved up and down in each reading that moved at all: the long view in a line. */
export function movedZones(
  before: Readings,
  after: Readings,
): { reading: AnyReadingId; up: number; down: number }[] {
  const changes = changedReadings(before, after)
  return [...new Set(changes.map((change) => change.reading))].map((reading) => {
    const own = changes.filter((change) => change.reading === reading)
    const up = own.filter((change) => change.after > change.before).length
    return { reading, up, down: own.length - up }
  })
}
