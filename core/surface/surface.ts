import { DRY_TICKS, WARM_TICKS } from '../catalogue/rules/surface'
import { MOST_GRADE } from '../skin/readings'
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

/** A face as it comes: dry, soiled, made up or not. */
export function startSurface(madeUp: boolean): Surface {
  const one = (region: RegionId): RegionSurface => ({
    soil: madeUp && region !== 'neck' && region !== 'decollete' ? 'madeUp' : 'soiled',
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
  return Object.fromEntries(REGION_IDS.map((region) => [region, one(region)])) as Record<
    RegionId,
    RegionSurface
  >
}

/** The surface after some ticks in which nobody touches it. */
export function passTime(surface: Surface, ticks: number): Surface {
  if (ticks <= 0) return surface
  const out = {} as Record<RegionId, RegionSurface>
  for (const region of REGION_IDS) out[region] = ageRegion(surface[region], ticks)
  return out
}

/** There is no water to lose, or something lies over it. */
const keepsWater = ({ moisture, film }: RegionSurface): boolean =>
  moisture === 'dry' || film === 'mask' || film === 'oil'

/** One region after some ticks in which nobody touches it. */
export function ageRegion(surface: RegionSurface, ticks: number): RegionSurface {
  const keeps = keepsWater(surface)
  // Nothing on this region runs down: it stays the very same.
  if (keeps && surface.settling === 0 && surface.warmth !== 'warm' && surface.warmAge === 0)
    return surface
  const dampAge = keeps ? surface.dampAge : Math.min(DRY_TICKS, surface.dampAge + ticks)
  const warmAge = surface.warmth === 'warm' ? surface.warmAge + ticks : 0
  const warm = surface.warmth === 'warm' && warmAge < WARM_TICKS
  const { soil, film, skin, layer, redness } = surface
  return {
    soil,
    moisture: dampAge >= DRY_TICKS ? 'dry' : surface.moisture,
    film,
    warmth: surface.warmth === 'warm' && !warm ? 'neutral' : surface.warmth,
    skin,
    layer,
    settling: Math.max(0, surface.settling - ticks),
    dampAge: dampAge >= DRY_TICKS ? 0 : dampAge,
    warmAge: warm ? warmAge : 0,
    redness,
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
  for (const region of regions) out[region] = leaveOn(out[region], technique)
  return out
}

/** What a technique leaves on one region it works on; its time is already counted. */
export function leaveOn(surface: RegionSurface, technique: Technique): RegionSurface {
  const surfaceLeave = technique.leaves
  const wetted = surfaceLeave.moisture !== undefined && surfaceLeave.moisture !== 'dry'
  return {
    soil: surfaceLeave.soil ?? surface.soil,
    moisture: surfaceLeave.moisture ?? surface.moisture,
    film: surfaceLeave.film ?? surface.film,
    warmth: surfaceLeave.warmth ?? surface.warmth,
    skin: surfaceLeave.skin ?? surface.skin,
    layer:
      surfaceLeave.layer !== undefined
        ? Math.max(surface.layer, surfaceLeave.layer)
        : surfaceLeave.film !== undefined && surfaceLeave.film !== 'leaveOn'
          ? 0
          : surface.layer,
    settling:
      surfaceLeave.settleMinutes !== undefined
        ? ticksWithin(surfaceLeave.settleMinutes)
        : surface.settling,
    dampAge: wetted || surfaceLeave.moisture === 'dry' ? 0 : surface.dampAge,
    warmAge: surfaceLeave.warmth === 'warm' ? 0 : surface.warmAge,
    redness: Math.min(MOST_GRADE, Math.max(0, surface.redness + (surfaceLeave.redness ?? 0))),
  }
}

type SurfacePart = keyof SurfaceNeed
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
    const bad = looked.filter((region) => !want.includes(surface[region][part]))
    const [first] = bad
    if (first !== undefined)
      out.push({ part, regions: bad, have: surface[first][part], want: want.join(' or ') })
  }
  const wet = needs.settled ? looked.filter((region) => surface[region].settling > 0) : []
  if (wet.length > 0)
    out.push({ part: 'settled', regions: wet, have: 'still settling', want: 'dried down' })
  return out
}
/** The parts of a need that list what will do. */
const LISTED_PARTS = ['soil', 'film', 'moisture', 'skin', 'warmth'] as const
