import { squareCentimetres, type SquareCentimetres } from '../units'

type Side = 'L' | 'R' | 'mid'

export const REGION_IDS = [
  'forehead',
  'temples',
  'eyes',
  'nose',
  'cheekL',
  'cheekR',
  'mouth',
  'chin',
  'jawL',
  'jawR',
  'neck',
  'decollete',
] as const
export type RegionId = (typeof REGION_IDS)[number]

export const ZONE_IDS = [
  'hairline',
  'forehead',
  'glabella',
  'templeL',
  'templeR',
  'eyeL',
  'eyeR',
  'lidL',
  'lidR',
  'nose',
  'creaseL',
  'creaseR',
  'cheekL',
  'cheekR',
  'foldL',
  'foldR',
  'upperLip',
  'lips',
  'chin',
  'jawL',
  'jawR',
  'underChin',
  'earL',
  'earR',
  'neckFront',
  'neckSideL',
  'neckSideR',
  'decollete',
] as const
export type ZoneId = (typeof ZONE_IDS)[number]

interface Zone {
  id: ZoneId
  name: string
  side: Side
  /**
   * Regions the zone folds into for planning. The under-chin belongs half to each jaw; lids belong
   * to none.
   */
  regions: readonly RegionId[]
  /** Skin area on the reference adult (face 19 × 14 cm), cm². */
  area: SquareCentimetres
  /** How the hand moves here. Common practice. */
  direction: string
}

const OUT = 'from the middle outward'
const zone = (
  id: ZoneId,
  name: string,
  side: Side,
  regions: readonly RegionId[],
  area: number,
  direction: string,
): Zone => ({
  id,
  name,
  side,
  regions,
  area: squareCentimetres(area),
  direction,
})

/**
 * House areas: face 550 cm² without ears and scalp, neck 200, décolleté 250. They scale with the
 * client's face.
 */
export const ZONES: Readonly<Record<ZoneId, Zone>> = {
  hairline: zone('hairline', 'Hairline', 'mid', ['forehead'], 12, OUT),
  forehead: zone(
    'forehead',
    'Forehead',
    'mid',
    ['forehead'],
    82,
    'from the middle out to the temple',
  ),
  glabella: zone('glabella', 'Between the brows', 'mid', ['forehead'], 10, 'upward'),
  templeL: zone('templeL', 'Left temple', 'L', ['temples'], 22, 'up and out'),
  templeR: zone('templeR', 'Right temple', 'R', ['temples'], 22, 'up and out'),
  eyeL: zone(
    'eyeL',
    'Left eye contour',
    'L',
    ['eyes'],
    20,
    'a ring on the bone, inside out above, patted',
  ),
  eyeR: zone(
    'eyeR',
    'Right eye contour',
    'R',
    ['eyes'],
    20,
    'a ring on the bone, inside out above, patted',
  ),
  lidL: zone('lidL', 'Left upper lid', 'L', [], 6, 'not worked'),
  lidR: zone('lidR', 'Right upper lid', 'R', [], 6, 'not worked'),
  nose: zone('nose', 'Nose', 'mid', ['nose'], 26, 'outward'),
  creaseL: zone('creaseL', 'Left nostril crease', 'L', ['nose'], 3, 'outward, into the crease'),
  creaseR: zone('creaseR', 'Right nostril crease', 'R', ['nose'], 3, 'outward, into the crease'),
  cheekL: zone('cheekL', 'Left cheek', 'L', ['cheekL'], 72, 'from the nose to the ear'),
  cheekR: zone('cheekR', 'Right cheek', 'R', ['cheekR'], 72, 'from the nose to the ear'),
  foldL: zone('foldL', 'Left nasolabial fold', 'L', ['cheekL'], 8, 'up and out'),
  foldR: zone('foldR', 'Right nasolabial fold', 'R', ['cheekR'], 8, 'up and out'),
  upperLip: zone('upperLip', 'Upper lip', 'mid', ['mouth'], 10, OUT),
  lips: zone('lips', 'Lips', 'mid', ['mouth'], 10, OUT),
  chin: zone('chin', 'Chin', 'mid', ['chin'], 26, OUT),
  jawL: zone('jawL', 'Left jaw', 'L', ['jawL'], 38, 'from the chin to the ear'),
  jawR: zone('jawR', 'Right jaw', 'R', ['jawR'], 38, 'from the chin to the ear'),
  underChin: zone('underChin', 'Under the chin', 'mid', ['jawL', 'jawR'], 28, OUT),
  earL: zone(
    'earL',
    'In front of the left ear',
    'L',
    ['jawL'],
    4,
    'drainage ends here, small circles',
  ),
  earR: zone(
    'earR',
    'In front of the right ear',
    'R',
    ['jawR'],
    4,
    'drainage ends here, small circles',
  ),
  neckFront: zone(
    'neckFront',
    'Front of the neck',
    'mid',
    ['neck'],
    110,
    'upward; drainage never runs here',
  ),
  neckSideL: zone(
    'neckSideL',
    'Left side of the neck',
    'L',
    ['neck'],
    45,
    'products upward, drainage down to the collarbone',
  ),
  neckSideR: zone(
    'neckSideR',
    'Right side of the neck',
    'R',
    ['neck'],
    45,
    'products upward, drainage down to the collarbone',
  ),
  decollete: zone('decollete', 'Décolleté', 'mid', ['decollete'], 250, 'outward to the shoulder'),
}
