import type { CostId } from '../rules/costs'
import type { DeviceKey } from './ownShapes'
import { COMMON_PRACTICE, type DeviceKind, type TrayItemId } from '../kinds'

/** Minutes that a device takes until it is ready: the cautious end of what makers say. */
export interface WarmUp {
  device: DeviceKind
  minutes: number
  /** One of it serves several rooms at once: its contents are fetched. */
  servesAll?: true
  source: string
}
const warm = (device: DeviceKind, minutes: number, more: { servesAll?: true } = {}): WarmUp => ({
  device,
  minutes,
  ...more,
  source: COMMON_PRACTICE,
})
export const WARM_UPS: readonly WarmUp[] = [
  warm('steamer', 8),
  warm('towelCabinet', 20, { servesAll: true }),
  warm('tipMachine', 1),
  warm('highFrequencyWand', 1),
  warm('crystalMachine', 1),
  warm('ultrasonicSpatula', 1),
  warm('needlingPen', 1),
  warm('lamp', 2),
  warm('microcurrentWand', 1),
  warm('sonicBrush', 1),
]
/**
 * Minutes before the client lies down at which a device is switched on; none for what is ready at once.
 */
export const warmUpOf = (device: DeviceKind, rows: readonly WarmUp[] = WARM_UPS): number =>
  rows.find((row) => row.device === device)?.minutes ?? 0

/** Whether one of a device serves several rooms at once. */
export const servesAll = (device: DeviceKey): boolean =>
  WARM_UPS.some((row) => row.device === device && row.servesAll === true)

/** A thing on the tray, one of it and several. */
export type Thing = readonly [one: string, several: string]

/** So many of a thing for the visit, or for each step whose technique lays it. */
export interface TrayRule {
  id: TrayItemId
  item: Thing
  count: number
  per: 'visit' | 'step'
  reason: string
  /** What one of it costs the house, where it is used up or washed. */
  costs?: CostId
  source: string
}
const lay = (
  id: TrayItemId,
  item: Thing,
  count: number,
  per: TrayRule['per'],
  reason: string,
  costs?: CostId,
): TrayRule => ({
  id,
  item,
  count,
  per,
  reason,
  ...(costs ? { costs } : {}),
  source: COMMON_PRACTICE,
})
export const TRAY_RULES: readonly TrayRule[] = [
  lay(
    'gloves',
    ['pair of gloves', 'pairs of gloves'],
    2,
    'visit',
    'a fresh pair when the first has touched anything else',
    'gloves',
  ),
  lay(
    'tissues',
    ['tissue with a breathing slit', 'tissues with a breathing slit'],
    1,
    'step',
    'pressed, never wiped',
    'tissue',
  ),
  lay(
    'cottonBuds',
    ['cotton bud', 'cotton buds'],
    4,
    'step',
    'a fresh end for each eye, never dipped twice',
  ),
  lay(
    'warmTowel',
    ['towel in the cabinet', 'towels in the cabinet'],
    1,
    'step',
    'fetched hot, tried on the wrist',
    'wash',
  ),
]

/**
 * What a house takes products off with, and how much of it for one removal. Folded in four a cloth has
 * so many clean faces, one for each wipe; where the skin has spots a pad takes its place, used once.
 */
export const REMOVAL_LINEN = {
  cloths: { item: ['fresh cloth', 'fresh cloths'], faces: 4, costs: 'wash' },
  mitts: { item: ['warm mitt', 'warm mitts'], closing: 1, costs: 'wash' },
  sponges: {
    item: ['sponge and a bowl of cool water', 'sponges and a bowl of cool water'],
    each: 2,
    costs: 'wash',
  },
  pads: { item: ['cotton pad', 'cotton pads'], perCloth: 3, perSpot: 1, costs: 'pad' },
  tissues: { item: ['soft tissue', 'soft tissues'], each: 2, costs: 'tissue' },
  spatula: { item: ['clean dry spatula', 'clean dry spatulas'] },
} as const satisfies Record<
  string,
  {
    item: Thing
    each?: number
    faces?: number
    /** A cooler one after those that take off. */
    closing?: number
    perCloth?: number
    perSpot?: number
    costs?: CostId
  }
>
