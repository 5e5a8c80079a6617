/** The client's left or right. */
export type Side = 'L' | 'R'
export const SIDE_NAMES: Readonly<Record<Side, string>> = { L: 'left', R: 'right' }
export const OTHER_SIDE: Readonly<Record<Side, Side>> = { L: 'R', R: 'L' }
