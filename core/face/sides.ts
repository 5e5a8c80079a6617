import type { RegionId } from './zones'

/** The client's left or right. */
export type Side = 'L' | 'R'
export const SIDE_NAMES: Readonly<Record<Side, string>> = { L: 'left', R: 'right' }
export const OTHER_SIDE: Readonly<Record<Side, Side>> = { L: 'R', R: 'L' }

/** The side on which a region lies as a whole; undefined for what has a left and a right half. */
export const sideOf = (region: RegionId): Side | undefined =>
  region.endsWith('L') ? 'L' : region.endsWith('R') ? 'R' : undefined

/** Whether two sets of regions lie wholly on opposite sides: half against half. */
export function isOtherHalf(one: readonly RegionId[], other: readonly RegionId[]): boolean {
  const sidesOf = (regions: readonly RegionId[]) => [...new Set(regions.map(sideOf))]
  const [[side, ...more], [opposite, ...others]] = [sidesOf(one), sidesOf(other)]
  return (
    more.length === 0 &&
    others.length === 0 &&
    side !== undefined &&
    opposite !== undefined &&
    side !== opposite
  )
}
