import { squareCentimetres, type SquareCentimetres } from '../units'
import { REGION_IDS, ZONES, ZONE_IDS, type RegionId, type ZoneId } from './zones'

export const REGION_NAMES: Readonly<Record<RegionId, string>> = {
  forehead: 'forehead',
  temples: 'temples',
  eyes: 'eye contours',
  nose: 'nose',
  cheekL: 'left cheek',
  cheekR: 'right cheek',
  mouth: 'mouth',
  chin: 'chin',
  jawL: 'left jaw',
  jawR: 'right jaw',
  neck: 'neck',
  decollete: 'décolleté',
}

const FACE: readonly RegionId[] = REGION_IDS.filter(
  (region) => region !== 'neck' && region !== 'decollete',
)

export type GroupId =
  | 'tZone'
  | 'cheeks'
  | 'orbital'
  | 'perioral'
  | 'face'
  | 'faceNoEyes'
  | 'faceNeck'
  | 'faceNeckNoEyes'
  | 'faceNeckDecollete'
  | 'cheeksJawNeck'
  | 'folds'
  | 'brows'
  | 'body'

/**
 * Named groups of regions that a technique may cover. `body` is work away from the face: hands,
 * arms, shoulders.
 */
export const GROUPS: Readonly<Record<GroupId, readonly RegionId[]>> = {
  tZone: ['forehead', 'nose', 'chin'],
  cheeks: ['cheekL', 'cheekR'],
  orbital: ['eyes'],
  perioral: ['mouth'],
  face: FACE,
  faceNoEyes: FACE.filter((region) => region !== 'eyes'),
  faceNeck: [...FACE, 'neck'],
  faceNeckNoEyes: [...FACE.filter((region) => region !== 'eyes'), 'neck'],
  faceNeckDecollete: [...FACE, 'neck', 'decollete'],
  cheeksJawNeck: ['temples', 'cheekL', 'cheekR', 'mouth', 'jawL', 'jawR', 'neck'],
  folds: ['forehead', 'cheekL', 'cheekR', 'mouth'],
  brows: ['forehead'],
  body: [],
}

/** Zones of a region that belong to no other: so left and right are told apart. */
export const ownZonesOf = (region: RegionId): readonly ZoneId[] => {
  const own = zonesOf(region).filter((zone) => ZONES[zone].regions.length === 1)
  return own.length > 0 ? own : zonesOf(region)
}

/** Zones that fold into a region, in drawing order. */
export function zonesOf(region: RegionId): ZoneId[] {
  return ZONE_IDS.filter((zone) => ZONES[zone].regions.includes(region))
}

/**
 * Regions that what a client tells of some zones is minded on. Lids fold into no region and are never
 * worked themselves: what is wrong with one is minded on the ring round it.
 */
export const regionsTold = (zones: readonly ZoneId[]): readonly RegionId[] =>
  REGION_IDS.filter((region) =>
    zones.some((zone) => {
      const { regions } = ZONES[zone]
      return regions.length === 0 ? region === ROUND_LIDS : regions.includes(region)
    }),
  )
const ROUND_LIDS: RegionId = 'eyes'

/** The zones of a region that are big enough to draw on: at least half of its largest. */
export function mainZonesOf(region: RegionId): ZoneId[] {
  const zones = zonesOf(region)
  const most = Math.max(...zones.map((zone) => ZONES[zone].area))
  return zones.filter((zone) => ZONES[zone].area * 2 >= most)
}

/** Client's left and right are mirrored; `mid` zones answer themselves. */
export function mirror(zone: ZoneId): ZoneId {
  const { side } = ZONES[zone]
  if (side === 'mid') return zone
  const other = zone.slice(0, -1) + (side === 'L' ? 'R' : 'L')
  return ZONE_IDS.find((zone) => zone === other) ?? zone
}

/** Height and width of the client's face in cm; the reference adult is 19 × 14. */
export interface FaceSize {
  height: number
  width: number
}
export const REFERENCE_FACE: FaceSize = { height: 19, width: 14 }

/**
 * Skin area of regions, cm², scaled by face height × width against the reference.
 * A shared zone counts by its share in each region, so that all regions sum to the whole without
 * the lids.
 */
export function areaOf(
  regions: readonly RegionId[],
  size: FaceSize = REFERENCE_FACE,
): SquareCentimetres {
  if (!(size.height > 0) || !(size.width > 0))
    throw new RangeError('face height and width must be above zero cm')
  const scale = (size.height * size.width) / (REFERENCE_FACE.height * REFERENCE_FACE.width)
  let sum = 0
  for (const region of new Set(regions)) sum += AREAS[region]
  return squareCentimetres(sum * scale)
}
const AREAS = Object.fromEntries(
  REGION_IDS.map((region) => [
    region,
    zonesOf(region).reduce((sum, zone) => sum + ZONES[zone].area / ZONES[zone].regions.length, 0),
  ]),
) as Record<RegionId, number>

/** Sets of regions that have a name of their own. */
const NAMED: readonly [GroupId, string][] = [
  ['tZone', 'T-zone'],
  ['cheeks', 'cheeks'],
  ['orbital', 'eye contours'],
  ['perioral', 'mouth'],
  ['face', 'face'],
  ['faceNeck', 'face and neck'],
  ['faceNeckDecollete', 'face, neck, décolleté'],
]
function nameOfSet(regions: readonly RegionId[]): string | undefined {
  const key = (own: readonly RegionId[]) =>
    REGION_IDS.filter((region) => own.includes(region)).join()
  const wanted = key(regions)
  if (wanted === '') return ''
  return NAMED.find(([id]) => key(GROUPS[id]) === wanted)?.[1]
}

/**
 * A short reading of a set of regions: "T-zone", "face and neck", "whole face except cheeks", or the
 * regions by name.
 */
export function nameRegions(regions: readonly RegionId[]): string {
  const name = nameOfSet(regions)
  if (name !== undefined) return name
  const missing = FACE.filter((region) => !regions.includes(region))
  if (missing.length > MOST_EXCEPTED) return joinRegions(regions)
  const besides = regions.filter((region) => !FACE.includes(region))
  const face = missing.length === 0 ? 'face' : `whole face except ${joinRegions(missing)}`
  return besides.length === 0 ? face : `${joinRegions(besides)}, ${face}`
}

/**
 * Regions by name and never by what is missing, for a sentence that says where something holds: "not
 * on the whole face except the temples" is read twice, and wrongly once.
 */
export const listRegions = (regions: readonly RegionId[]): string =>
  nameOfSet(regions) ?? joinRegions(regions)

/** The whole face is named with what is left out of it as long as that is no more than this. */
const MOST_EXCEPTED = 2

function joinRegions(regions: readonly RegionId[]): string {
  const left = REGION_IDS.filter((region) => regions.includes(region))
  const words: string[] = []
  for (const region of left) {
    if (region === 'cheekL' && left.includes('cheekR')) words.push('cheeks')
    else if (region === 'jawL' && left.includes('jawR')) words.push('jaw')
    else if (
      (region === 'cheekR' && left.includes('cheekL')) ||
      (region === 'jawR' && left.includes('jawL'))
    )
      continue
    else words.push(REGION_NAMES[region])
  }
  return words.join(', ')
}
