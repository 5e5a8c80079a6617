import type { ZoneId } from '../face/zones'
import {
  acneGrade,
  ACNE_AREAS,
  LESIONS,
  phototype,
  type AcneArea,
  type BURNS,
  type Lesion,
  type Phototype,
  type TANS,
} from './indices'
import type { ConditionId, SkinType } from '../catalogue/skin/conditions'
import type { ObservationId } from './observations'
import type { PoreSweep, SweepBaseline } from './poreSweep'
import type { Readings } from './readings'

/**
 * What is read of the whole face, beside the zones. Everything is optional: what is missing was not
 * asked.
 */
export interface WholeReading {
  burns?: (typeof BURNS)[number]
  tans?: (typeof TANS)[number]
  /** Glogau class 1–4. */
  photoageing?: 1 | 2 | 3 | 4
  observed?: readonly { zone: ZoneId; id: ObservationId }[]
  overruled?: readonly Overrule[]
  /** How much pores catch a fingertip on one spot. */
  poreSweep?: PoreSweep
  /** The first of this client's sweeps. */
  sweepBaseline?: SweepBaseline
}
/**
 * A line of the profile that the therapist sees otherwise, and why. It changes the line; the grades
 * beneath it are changed by reading again.
 */
export type Overrule =
  | { line: 'type'; say: SkinType; reason: string }
  | { line: ConditionId; say: boolean; reason: string }

/** Phototypes by what was told of burning and tanning; nothing where either is missing. */
export function phototypeOf(
  whole: WholeReading,
): { sun: Phototype; marks: Phototype; agree: boolean } | undefined {
  return whole.burns !== undefined && whole.tans !== undefined
    ? phototype(whole.burns, whole.tans)
    : undefined
}

const AREA_ZONES: Readonly<Record<AcneArea, readonly ZoneId[]>> = {
  forehead: ['hairline', 'forehead', 'glabella', 'templeL', 'templeR'],
  cheekR: ['cheekR', 'foldR', 'jawR'],
  cheekL: ['cheekL', 'foldL', 'jawL'],
  nose: ['nose', 'creaseL', 'creaseR'],
  chin: ['chin', 'upperLip', 'underChin'],
  chestBack: ['decollete'],
}
/**
 * Acne grade from the worst lesion that was read in each of its areas; areas without a reading are
 * named as missing. Undefined when no spots were read at all.
 */
export function acneOf(readings: Readings): ReturnType<typeof acneGrade> | undefined {
  const worst: Partial<Record<AcneArea, Lesion>> = {}
  for (const area of Object.keys(ACNE_AREAS) as AcneArea[]) {
    const grades = AREA_ZONES[area].flatMap((areaZone) => readings[areaZone]?.spots ?? [])
    if (grades.length > 0) worst[area] = LESIONS[Math.max(...grades)] ?? 'none'
  }
  return Object.keys(worst).length === 0 ? undefined : acneGrade(worst)
}

/** Scales stay from visit to visit; what was noticed or overruled belongs to its day. */
export const carriedOver = (whole: WholeReading | undefined): WholeReading => ({
  ...(whole?.burns ? { burns: whole.burns } : {}),
  ...(whole?.tans ? { tans: whole.tans } : {}),
  ...(whole?.photoageing ? { photoageing: whole.photoageing } : {}),
  ...(whole?.sweepBaseline ? { sweepBaseline: whole.sweepBaseline } : {}),
})
