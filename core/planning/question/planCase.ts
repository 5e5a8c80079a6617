import { PAIRS, type Pair } from '../../catalogue/rules/pairs'
import type { ConcernId, FamilyId, StageId } from '../../catalogue/kinds'
import type { PlanStep } from '../../catalogue/techniques/step'
import { FILLERS } from '../../catalogue/techniques/roles'
import type { TechniqueId } from '../../catalogue/techniques/techniques'
import type { RegionId } from '../../face/zones'
import type { Surface } from '../../surface/surface'

/** One hand step of an option. `dwell` is how long it rests before it is lifted, in minutes. */
export interface Move extends Pick<
  PlanStep,
  'technique' | 'own' | 'regions' | 'half' | 'minutes' | 'passes' | 'setting' | 'productId'
> {
  /** Free acid of the product, per cent. */
  freeAcid?: number
  /** What the product pours beside the technique, hundredths by root of the minutes. */
  bottleRate?: number
  dwell?: number
  /**
   * `no`: not a calming product, so not on skin just abraded; `only`: its calming stand-in, for
   * just that skin.
   */
  calm?: 'no' | 'only'
  pinned?: true
}

export interface Option {
  id: string
  main: readonly TechniqueId[]
  moves: readonly Move[]
  /** Effect on each aim, in the order of the aims; whole numbers. */
  effects: readonly number[]
  taste: number
  costCents: number
  idleTicks: number
  exfoliates: boolean
  /** Kinds of work that other kinds may not share the visit with, one bit each. */
  marks: number
}
export interface Stage {
  id: StageId
  must: boolean
  options: readonly Option[]
}

/** The question as whole numbers: nothing in it needs a clock, a database or a fraction. */
export interface PlanCase {
  stages: readonly Stage[]
  aims: readonly ConcernId[]
  weights: readonly number[]
  tolerance: Readonly<Record<RegionId, number>>
  residual: Readonly<Record<RegionId, number>>
  maxExfoliations: number
  /** What each connecting step costs, in the currency of taste. */
  linkCost: number
  /** Two marks that never share a visit, as bits. */
  pairs: readonly (readonly [number, number])[]
  madeUp: boolean
  /** Connecting steps that cannot be had today: no bottle is left for them. */
  unavailable: readonly TechniqueId[]
}

/** Where solving starts: the whole visit, or what is left of one already begun. */
export interface SolveFrom {
  surface: Surface
  stage: number
  ticks: number
  loads: Readonly<Record<RegionId, number>>
  exfoliations: number
  marks: number
}

/**
 * What an option is marked with besides its families: that it takes something off, and that
 * something in it rests beyond the short end of its window.
 */
type Mark = FamilyId | 'exfoliated' | 'fullDwell' | TechniqueId
const MARKED: readonly Mark[] = [
  ...new Set(PAIRS.flatMap((pair) => [pair.a, pair.b])),
  'exfoliated',
  'fullDwell',
  ...FILLERS,
]
export const MARK_NAMES: readonly string[] = MARKED
const bit = (mark: Mark): number => {
  const i = MARKED.indexOf(mark)
  return i < 0 ? 0 : 1 << i
}
/** A set of marks as the bits of one number. */
export const marksOf = (marks: readonly Mark[]): number =>
  marks.reduce((sum, mark) => sum | bit(mark), 0)
/** The pairs that hold today, and that after an exfoliation what rests comes off at the short end. */
export const pairBits = (pairs: readonly Pair[]): [number, number][] => [
  ...pairs.map((pair): [number, number] => [bit(pair.a), bit(pair.b)]),
  [bit('exfoliated'), bit('fullDwell')],
  // While something rests the hands do one thing all through a visit.
  ...FILLERS.flatMap((one, i) =>
    FILLERS.slice(i + 1).map((other): [number, number] => [bit(one), bit(other)]),
  ),
]
/** Whether something in an option rests beyond the short end: only where nothing was taken off. */
export const restsFull = ({ marks }: Pick<Option, 'marks'>): boolean =>
  (marks & bit('fullDwell')) !== 0

/** Whether marks already there and new ones break a pair. */
export const breaksPair = (pairs: PlanCase['pairs'], have: number, add: number): boolean =>
  pairs.some(
    ([key, value]) =>
      ((have & key) !== 0 && (add & value) !== 0) ||
      ((have & value) !== 0 && (add & key) !== 0) ||
      ((add & key) !== 0 && (add & value) !== 0),
  )
