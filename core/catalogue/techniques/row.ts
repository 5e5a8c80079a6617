import { minutes } from '../../units'
import type { GroupId } from '../../face/regions'
import { COMMON_PRACTICE } from '../kinds'
import type { DwellWindow, Technique } from './technique'

/** Least, most, and the minutes the planner may choose from. */
export const m = (least: number, most: number, ...choices: number[]) => ({
  least: minutes(least),
  most: minutes(most),
  choices: choices.map(minutes) as readonly ReturnType<typeof minutes>[],
})
/**
 * Earliest and latest minutes on the skin, the same for sensitive skin, and what lateness means.
 */
export const rests = (
  earliest: number,
  latest: number,
  sensitive: readonly [number, number],
  late: DwellWindow['late'],
): DwellWindow => ({
  earliest: minutes(earliest),
  latest: minutes(latest),
  sensitive: { earliest: minutes(sensitive[0]), latest: minutes(sensitive[1]) },
  late,
})
export const CLEAN = ['clean'] as const
export const BARE = ['none'] as const
export const INTACT = ['intact'] as const
export const ALL: readonly GroupId[] = ['faceNeckDecollete']

type Row = Omit<Technique, 'source' | 'licence' | 'families'> &
  Partial<Pick<Technique, 'source' | 'licence' | 'families'>>
export const row = (r: Row): Technique => ({
  source: COMMON_PRACTICE,
  licence: 'basic',
  families: [],
  ...r,
})
