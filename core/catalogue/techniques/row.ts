import { minutes } from '../../units'
import type { GroupId } from '../../face/regions'
import { COMMON_PRACTICE } from '../kinds'
import type { DwellWindow, TechniqueOf } from './technique'

/** Least, most, and the minutes the planner may choose from. */
export const span = (least: number, most: number, ...choices: number[]) => ({
  least: minutes(least),
  most: minutes(most),
  choices: choices.map(minutes) as readonly ReturnType<typeof minutes>[],
})
/** The same, for what gets its usual time or is left out. */
export const usually = (usual: number, least: number, most: number, ...choices: number[]) => ({
  ...span(least, most, ...choices),
  usual: minutes(usual),
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
/** A trace of oil does no harm to most of what follows. */
export const CLEAN = ['clean', 'oiled'] as const
/** For a machine, the needle and what sets hard: cloth and water are not enough after oil. */
export const OIL_FREE = ['clean'] as const
export const BARE = ['none'] as const
export const INTACT = ['intact'] as const
export const ALL: readonly GroupId[] = ['faceNeckDecollete']

/** What a row may leave out; it is then the usual. */
const USUAL = { source: COMMON_PRACTICE, licence: 'basic', families: [] } as const
type Usual = keyof typeof USUAL
type Whole<Names extends string> = Omit<TechniqueOf<Names>, 'id'>
type Row<Names extends string> = Omit<Whole<Names>, Usual> & Partial<Pick<Whole<Names>, Usual>>

/** A shelf of rows, each with the names of other techniques that it uses left as they stand. */
export type RowsOf<Id extends string> = Readonly<Record<Id, Whole<Id>>>

/**
 * One family of techniques, a row each under its id. What is left out of a row is the usual: common
 * practice, no licence of its own, no family.
 */
export function techniques<Id extends string, const Names extends string = never>(
  rows: Record<Id, Row<Names>>,
): Record<Id, Whole<Names>> {
  const whole = Object.entries<Row<Names>>(rows).map(([id, row]) => [id, { ...USUAL, ...row }])
  return Object.fromEntries(whole) as Record<Id, Whole<Names>>
}
