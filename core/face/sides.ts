import type { RegionId } from './zones'

/** The client's left or right. */
export type Side = 'L' | 'R'
export const SIDE_NAMES: Readonly<Record<Side, string>> = { L: 'left', R: 'right' }
export const OTHER_SIDE: Readonly<Record<Side, Side>> = { L: 'R', R: 'L' }

/** The side on which a region lies as a whole; undefined for what has a left and a right half. */
export const sideOf = (region: RegionId): Side | undefined =>
  region.endsWith('L') ? 'L' : region.endsWith('R') ? 'R' : undefined
