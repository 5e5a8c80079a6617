import type { RegionId } from '../../face/zones'
import type { MannerId } from './strokes'

/** What a stroke is for. */
export type AimOfStroke = 'spread' | 'lift' | 'drain' | 'wipeOff'

export const AIM_OF: Readonly<Record<MannerId, AimOfStroke>> = {
  spread: 'spread',
  machine: 'spread',
  lift: 'lift',
  fromNose: 'spread',
  fromForehead: 'spread',
  wipeDown: 'wipeOff',
  ring: 'spread',
  glide: 'lift',
  drain: 'drain',
  down: 'drain',
  across: 'spread',
}

/** A direction on the face: how far away from the middle, and how far up. */
export interface Direction {
  out: number
  up: number
}
type ByRegion = Partial<Record<RegionId, Direction>>
const to = (out: number, up: number): Direction => ({ out, up })
const bothSides = (left: RegionId, right: RegionId, out: number, up: number): ByRegion => ({
  [left]: to(out, up),
  [right]: to(out, up),
})

/** Upward and outward as a rule; drainage runs down the sides to the collarbone. Common practice. */
export const DIRECTIONS: Readonly<Record<AimOfStroke, ByRegion>> = {
  spread: {
    forehead: to(1, 0),
    temples: to(1, 0.4),
    eyes: to(1, 0),
    nose: to(1, 0),
    mouth: to(1, 0.4),
    chin: to(1, 0.4),
    neck: to(0, 1),
    decollete: to(1, 0.3),
    ...bothSides('cheekL', 'cheekR', 1, 0.3),
    ...bothSides('jawL', 'jawR', 1, 0.6),
  },
  lift: {
    forehead: to(0, 1),
    temples: to(0.3, 1),
    eyes: to(1, 0.3),
    nose: to(1, 0.2),
    mouth: to(0.5, 0.8),
    chin: to(1, 0.5),
    neck: to(1, 0),
    decollete: to(1, 0.3),
    ...bothSides('cheekL', 'cheekR', 0.8, 0.8),
    ...bothSides('jawL', 'jawR', 1, 0.5),
  },
  wipeOff: { eyes: to(0, -1) },
  drain: {
    forehead: to(1, -0.2),
    temples: to(0.3, -1),
    eyes: to(1, -0.2),
    nose: to(1, -0.3),
    mouth: to(1, -0.2),
    chin: to(1, 0.2),
    neck: to(0.4, -1),
    decollete: to(1, 0),
    ...bothSides('cheekL', 'cheekR', 1, -0.2),
    ...bothSides('jawL', 'jawR', 1, 0.3),
  },
}

/**
 * Drainage: the nodes are opened first, near before far, and everything ends there again. Without
 * the neck it ends in front of the ear. Common practice.
 */
export const NODES = {
  collarbone: { name: 'collarbone', needs: 'neck' as RegionId },
  ear: { name: 'front of the ear', needs: 'jawL' as RegionId },
} as const
export type NodeId = keyof typeof NODES
const UP: readonly RegionId[] = [
  'decollete',
  'neck',
  'chin',
  'jawL',
  'jawR',
  'mouth',
  'cheekL',
  'cheekR',
  'eyes',
  'temples',
  'forehead',
  'nose',
]
/** Where the hand begins and goes on, by manner: what is said, drawn and timed follows from it. */
export const ORDERS: Readonly<Record<MannerId, readonly RegionId[]>> = {
  // From below up, the creases of the nose last.
  spread: UP,
  lift: UP,
  ring: UP,
  wipeDown: UP,
  across: UP,
  // Outside first, the nose last; the neck before all of it.
  machine: [
    'decollete',
    'neck',
    'jawL',
    'jawR',
    'cheekL',
    'cheekR',
    'temples',
    'forehead',
    'eyes',
    'mouth',
    'chin',
    'nose',
  ],
  // From the nodes outward: what lies nearer drains first.
  drain: [
    'neck',
    'jawL',
    'jawR',
    'chin',
    'mouth',
    'cheekL',
    'cheekR',
    'nose',
    'eyes',
    'temples',
    'forehead',
    'decollete',
  ],
  // Back the same way, and away down the neck.
  down: [
    'decollete',
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
  ],
  // Jaw, cheek, brow.
  glide: [
    'neck',
    'decollete',
    'chin',
    'jawL',
    'jawR',
    'mouth',
    'cheekL',
    'cheekR',
    'nose',
    'eyes',
    'temples',
    'forehead',
  ],
  fromNose: [
    'nose',
    'cheekL',
    'cheekR',
    'mouth',
    'chin',
    'eyes',
    'forehead',
    'temples',
    'jawL',
    'jawR',
    'neck',
    'decollete',
  ],
  fromForehead: [
    'forehead',
    'temples',
    'cheekL',
    'cheekR',
    'jawL',
    'jawR',
    'chin',
    'mouth',
    'nose',
    'neck',
    'decollete',
    'eyes',
  ],
}
/** Nodes are opened before the strokes, or only end them. */
export const AT_NODES: Readonly<Partial<Record<MannerId, { opens: boolean }>>> = {
  drain: { opens: true },
  down: { opens: false },
}
/** With a tip both sides come before it: the nose is finished last. */
export const AFTER_BOTH_SIDES: Readonly<Partial<Record<MannerId, readonly RegionId[]>>> = {
  machine: ['nose'],
}
