import { COMMON_PRACTICE, type ProductKind } from '../kinds'
import type { ZoneId } from '../../face/zones'

/** Where product stays behind. Common practice. */
export const SPOT_IDS = [
  'lashRoots',
  'brows',
  'besideNose',
  'nostrils',
  'mouthCorners',
  'hairline',
  'underJaw',
  'behindNeck',
] as const
export type SpotId = (typeof SPOT_IDS)[number]

interface Spot {
  id: SpotId
  name: string
  /** Where it is marked on the face. */
  zones: readonly ZoneId[]
  /** What stays there. */
  kinds: readonly ProductKind[]
  source: string
}

const MASKS: readonly ProductKind[] = [
  'rollOffPeel',
  'enzymeMask',
  'acidMask',
  'exfoliatingMask',
  'resurfacingMask',
  'settingClay',
  'hydratingMask',
  'creamMask',
  'powderMask',
  'hardeningPowder',
]
const spot = (
  id: SpotId,
  name: string,
  zones: readonly ZoneId[],
  kinds: readonly ProductKind[],
): Spot => ({ id, name, zones, kinds, source: COMMON_PRACTICE })

export const SPOTS: Readonly<Record<SpotId, Spot>> = {
  lashRoots: spot(
    'lashRoots',
    'lash roots',
    ['eyeL', 'eyeR'],
    ['eyeRemover', 'milk', 'micellarWater', 'wipe', 'eyeMask'],
  ),
  brows: spot(
    'brows',
    'brows',
    ['glabella'],
    [...MASKS, 'milk', 'wipe', 'creamCleanser', 'cleansingOil', 'gelCleanser', 'grainScrub'],
  ),
  besideNose: spot(
    'besideNose',
    'sides of the nose',
    ['creaseL', 'creaseR'],
    [...MASKS, 'creamCleanser', 'gelCleanser', 'grainScrub'],
  ),
  nostrils: spot('nostrils', 'nostril rims', ['nose'], [...MASKS, 'grainScrub']),
  mouthCorners: spot('mouthCorners', 'corners of the mouth', ['upperLip'], [...MASKS, 'lipScrub']),
  hairline: spot(
    'hairline',
    'hairline',
    ['hairline'],
    [...MASKS, 'milk', 'wipe', 'creamCleanser', 'cleansingOil', 'gelCleanser', 'grainScrub'],
  ),
  underJaw: spot(
    'underJaw',
    'under the jaw',
    ['underChin'],
    [...MASKS, 'cleansingOil', 'massageOil', 'conductiveGel', 'waterGel'],
  ),
  behindNeck: spot('behindNeck', 'behind the neck', ['neckSideL', 'neckSideR'], ['massageOil']),
}
