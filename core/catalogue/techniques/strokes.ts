import type { RegionId } from '../../face/zones'
import { COMMON_PRACTICE } from '../kinds'

/**
 * How the hand goes, by manner of work and region. Upward and outward as a rule; never down the
 * cheek. Common practice.
 */
export type MannerId =
  | 'spread'
  | 'machine'
  | 'lift'
  | 'drain'
  | 'down'
  | 'glide'
  | 'across'
  | 'fromNose'
  | 'fromForehead'
  | 'ring'
  | 'wipeDown'
interface Manner {
  id: MannerId
  name: string
  strokes: Partial<Record<RegionId, string>>
  /** What else the hand minds; which part comes first and which last is the order of the zones. */
  minds?: string
  source: string
}

const SPREAD: Partial<Record<RegionId, string>> = {
  forehead: 'from the middle out to the temples',
  temples: 'small circles, outwards',
  eyes: 'a ring on the bone, inside out above',
  nose: 'outwards, creases well',
  cheekL: 'nose to ear',
  cheekR: 'nose to ear',
  mouth: 'round the lips, corners up',
  chin: 'up and out',
  jawL: 'chin to ear',
  jawR: 'chin to ear',
  neck: 'upwards at the front',
  decollete: 'from the middle out to the shoulders',
}
export const MANNERS: Readonly<Record<MannerId, Manner>> = {
  spread: {
    id: 'spread',
    name: 'Up and out',
    strokes: SPREAD,
    minds: 'the creases well',
    source: COMMON_PRACTICE,
  },
  machine: {
    id: 'machine',
    name: 'Skin taut between two fingers',
    source: COMMON_PRACTICE,
    strokes: {
      ...SPREAD,
      cheekL: 'nose to ear, one stroke beside the next',
      cheekR: 'nose to ear, one stroke beside the next',
      forehead: 'brow to hairline, then across',
      nose: 'down the sides, then outwards',
      neck: 'upwards, light',
    },
  },
  lift: {
    id: 'lift',
    name: 'Lifting strokes',
    source: COMMON_PRACTICE,
    strokes: {
      ...SPREAD,
      forehead: 'brow up to the hairline',
      temples: 'upwards',
      cheekL: 'mouth corner up to the temple',
      cheekR: 'mouth corner up to the temple',
    },
  },
  fromNose: {
    id: 'fromNose',
    name: 'From the middle out',
    source: COMMON_PRACTICE,
    strokes: SPREAD,
  },
  fromForehead: {
    id: 'fromForehead',
    name: 'Thick skin before thin',
    source: COMMON_PRACTICE,
    strokes: SPREAD,
  },
  wipeDown: {
    id: 'wipeDown',
    name: 'Press, hold, wipe down',
    minds: 'no circles on the lashes; nothing under the lid',
    source: COMMON_PRACTICE,
    strokes: { eyes: 'down, then side to side' },
  },
  drain: {
    id: 'drain',
    name: 'Towards the nodes',
    minds: 'each stroke ends at a node, with a small wiggle',
    source: COMMON_PRACTICE,
    strokes: {
      ...SPREAD,
      cheekL: 'nose to the front of the ear',
      cheekR: 'nose to the front of the ear',
      neck: 'down the sides to the collarbone',
    },
  },
  down: {
    id: 'down',
    name: 'The same way down',
    source: COMMON_PRACTICE,
    strokes: {
      ...SPREAD,
      cheekL: 'nose to the front of the ear',
      cheekR: 'nose to the front of the ear',
      neck: 'down the sides to the collarbone',
    },
  },
  across: {
    id: 'across',
    name: 'Across the fold',
    minds: 'one fold after the other',
    source: COMMON_PRACTICE,
    strokes: {
      forehead: 'across the brow fold, outwards',
      cheekL: 'across the smile line, outwards',
      cheekR: 'across the smile line, outwards',
      mouth: 'beside the corners, outwards',
    },
  },
  glide: {
    id: 'glide',
    name: 'Three glides a section',
    source: COMMON_PRACTICE,
    strokes: {
      forehead: 'brow up to the hairline',
      temples: 'upwards',
      cheekL: 'mouth corner up to the temple',
      cheekR: 'mouth corner up to the temple',
      chin: 'chin to ear',
      jawL: 'chin to ear',
      jawR: 'chin to ear',
      nose: 'beside it, outwards',
      mouth: 'corners upwards',
      neck: 'outwards',
    },
  },
  ring: {
    id: 'ring',
    name: 'On the bone',
    minds: 'ring finger, patted; nothing on the lid',
    source: COMMON_PRACTICE,
    strokes: { eyes: 'under the eye from outside in, above it from inside out' },
  },
}

/** The manner of a technique that strokes the face; undefined where nothing is stroked. */
export const mannerOf = ({ manner }: { manner: MannerId | 'none' }): Manner | undefined =>
  manner === 'none' ? undefined : MANNERS[manner]

/** The strokes of a technique on some zones, those that go alike together. */
export function strokesFor(
  technique: { manner: MannerId | 'none' },
  regions: readonly RegionId[],
): { regions: RegionId[]; text: string }[] {
  const manner = mannerOf(technique)
  const out: { regions: RegionId[]; text: string }[] = []
  for (const region of regions) {
    const text = manner?.strokes[region]
    if (text === undefined) continue
    const same = out.find((strokes) => strokes.text === text)
    if (same) same.regions.push(region)
    else out.push({ regions: [region], text })
  }
  return out
}
