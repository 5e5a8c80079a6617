import { COMMON_PRACTICE, type DeviceKind } from '../kinds'
import type { TechniqueId } from './techniques'

/** Minutes that a device takes until it is ready: the cautious end of what makers say. */
export interface WarmUp {
  device: DeviceKind
  minutes: number
  source: string
}
const warm = (device: DeviceKind, minutes: number): WarmUp => ({
  device,
  minutes,
  source: COMMON_PRACTICE,
})
export const WARM_UPS: readonly WarmUp[] = [
  warm('steamer', 8),
  warm('towelCabinet', 20),
  warm('tipMachine', 1),
  warm('highFrequencyWand', 1),
  warm('crystalMachine', 1),
  warm('ultrasonicSpatula', 1),
  warm('needlingPen', 1),
  warm('lamp', 2),
  warm('microcurrentWand', 1),
]
export const warmUpOf = (device: DeviceKind, rows: readonly WarmUp[] = WARM_UPS): number =>
  rows.find((r) => r.device === device)?.minutes ?? 0

/**
 * What else lies on the tray when one of some techniques is planned: so many for the visit, or for
 * each such step.
 */
/** A thing on the tray, one of it and several. */
export type Thing = readonly [one: string, several: string]
export interface TrayRule {
  id: string
  item: Thing
  techniques: readonly TechniqueId[]
  count: number
  per: 'visit' | 'step'
  reason: string
  source: string
}
const lay = (
  id: string,
  item: Thing,
  techniques: readonly TechniqueId[],
  count: number,
  per: TrayRule['per'],
  reason: string,
): TrayRule => ({
  id,
  item,
  techniques,
  count,
  per,
  reason,
  source: COMMON_PRACTICE,
})
export const TRAY_RULES: readonly TrayRule[] = [
  lay(
    'gloves',
    ['pair of gloves', 'pairs of gloves'],
    ['extraction', 'needling'],
    2,
    'visit',
    'a fresh pair when the first has touched anything else',
  ),
  lay(
    'cartridge',
    ['sterile cartridge', 'sterile cartridges'],
    ['needling'],
    1,
    'visit',
    'opened in front of the client, used once',
  ),
  lay(
    'goggles',
    ['pair of goggles', 'pairs of goggles'],
    ['blueLamp', 'redLamp'],
    2,
    'visit',
    'for the client and for you',
  ),
  lay(
    'tissues',
    ['tissue with a breathing slit', 'tissues with a breathing slit'],
    ['blot'],
    1,
    'step',
    'pressed, never wiped',
  ),
]
