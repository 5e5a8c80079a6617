import type { Technique } from '../catalogue/techniques/techniques'
import type {
  Film,
  Moisture,
  SkinState,
  Soil,
  SurfaceNeed,
  Warmth,
} from '../catalogue/techniques/technique'
import { REGION_IDS, type RegionId } from '../face/zones'
import { ticksWithin } from '../units'

/** What lies on one region's skin right now. Ages are in ticks of thirty seconds. */
export interface RegionSurface {
  soil: Soil
  moisture: Moisture
  film: Film
  warmth: Warmth
  skin: SkinState
  /** Weight of the heaviest leave-on laid, 0 for none. */
  layer: number
  /** Ticks until the last leave-on has dried down. */
  settling: number
  /** Ticks that water has stood uncovered. */
  dampAge: number
  warmAge: number
  redness: number
}
export type Surface = Readonly<Record<RegionId, RegionSurface>>

/**
 * Damp skin dries in about two and a half minutes uncovered; warmth fades in about ten. Common
 * practice.
 */
export const DRY_TICKS = 5
export const WARM_TICKS = 20

export function startSurface(madeUp: boolean): Surface {
  const one = (r: RegionId): RegionSurface => ({
    soil: madeUp && r !== 'neck' && r !== 'decollete' ? 'madeUp' : 'soiled',
    moisture: 'dry',
    film: 'none',
    warmth: 'neutral',
    skin: 'intact',
    layer: 0,
    settling: 0,
    dampAge: 0,
    warmAge: 0,
    redness: 0,
  })
  return Object.fromEntries(REGION_IDS.map((r) => [r, one(r)])) as Record<RegionId, RegionSurface>
}

/** The surface after some ticks in which nobody touches it. */
export function passTime(surface: Surface, ticks: number): Surface {
  if (ticks <= 0) return surface
  const out = {} as Record<RegionId, RegionSurface>
  for (const r of REGION_IDS) out[r] = ageRegion(surface[r], ticks)
  return out
}

/** One region after some ticks in which nobody touches it. */
export function ageRegion(s: RegionSurface, ticks: number): RegionSurface {
  const covered = s.film === 'mask' || s.film === 'oil'
  // Nothing on this region runs down: it stays the very same.
  if (
    s.settling === 0 &&
    s.warmth !== 'warm' &&
    s.warmAge === 0 &&
    (s.moisture === 'dry' || covered)
  )
    return s
  const dampAge =
    s.moisture === 'dry' || covered ? s.dampAge : Math.min(DRY_TICKS, s.dampAge + ticks)
  const warmAge = s.warmth === 'warm' ? s.warmAge + ticks : 0
  const warm = s.warmth === 'warm' && warmAge < WARM_TICKS
  return {
    ...s,
    settling: Math.max(0, s.settling - ticks),
    dampAge: dampAge >= DRY_TICKS ? 0 : dampAge,
    moisture: dampAge >= DRY_TICKS ? 'dry' : s.moisture,
    warmth: s.warmth === 'warm' && !warm ? 'neutral' : s.warmth,
    warmAge: warm ? warmAge : 0,
  }
}

/**
 * The surface after a technique of `ticks` hands-on time on some regions. Needs are not looked at
 * here.
 */
export function applyTechnique(
  surface: Surface,
  technique: Technique,
  regions: readonly RegionId[],
  ticks: number,
): Surface {
  const passed = passTime(surface, ticks)
  const out = { ...passed } as Record<RegionId, RegionSurface>
  for (const r of regions) out[r] = leaveOn(out[r], technique)
  return out
}

/** What a technique leaves on one region it works on; its time is already counted. */
export function leaveOn(s: RegionSurface, technique: Technique): RegionSurface {
  const l = technique.leaves
  const wetted = l.moisture !== undefined && l.moisture !== 'dry'
  return {
    soil: l.soil ?? s.soil,
    moisture: l.moisture ?? s.moisture,
    film: l.film ?? s.film,
    warmth: l.warmth ?? s.warmth,
    skin: l.skin ?? s.skin,
    layer:
      l.layer !== undefined
        ? Math.max(s.layer, l.layer)
        : l.film !== undefined && l.film !== 'leaveOn'
          ? 0
          : s.layer,
    settling: l.settleMinutes !== undefined ? ticksWithin(l.settleMinutes) : s.settling,
    dampAge: wetted || l.moisture === 'dry' ? 0 : s.dampAge,
    warmAge: l.warmth === 'warm' ? 0 : s.warmAge,
    redness: Math.min(4, Math.max(0, s.redness + (l.redness ?? 0))),
  }
}

export type SurfacePart = keyof SurfaceNeed
export interface Unmet {
  part: SurfacePart
  regions: readonly RegionId[]
  have: string
  want: string
}

/**
 * What a technique needs and does not find, by part, with the regions where it fails. Work away
 * from the face looks at the whole face for its film.
 */
export function unmetNeeds(
  surface: Surface,
  technique: Technique,
  regions: readonly RegionId[],
): Unmet[] {
  const { needs } = technique
  const looked = regions.length > 0 ? regions : REGION_IDS
  const out: Unmet[] = []
  for (const part of LISTED_PARTS) {
    const want: readonly string[] | undefined = needs[part]
    if (!want) continue
    const bad = looked.filter((r) => !want.includes(surface[r][part]))
    const [first] = bad
    if (first !== undefined)
      out.push({ part, regions: bad, have: surface[first][part], want: want.join(' or ') })
  }
  const wet = needs.settled ? looked.filter((r) => surface[r].settling > 0) : []
  if (wet.length > 0)
    out.push({ part: 'settled', regions: wet, have: 'still settling', want: 'dried down' })
  return out
}
/** The parts of a need that list what will do. */
const LISTED_PARTS = ['soil', 'film', 'moisture', 'skin', 'warmth'] as const
