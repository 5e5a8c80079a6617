import { SLIP } from '../../catalogue/rules/byHand'
import type { PlanStep } from '../../catalogue/techniques/step'
import { TECHNIQUES } from '../../catalogue/techniques/techniques'
import type { Dispenser, Product } from '../../catalogue/products/products'
import { FINE, WATER_DROP_ML } from '../../catalogue/rules/dosing'
import { KNEADED } from '../../catalogue/rules/room'
import { describeMeasures } from '../../dosing/amount'
import type { Profile } from '../../skin/profile'
import type { RoomState } from '../fold/roomState'
import {
  fromMilliseconds,
  GRAM_MILLIGRAMS,
  minutes,
  SHORTEST_STEP,
  type Millilitres,
  type Minutes,
  type SquareCentimetres,
} from '../../units'

const OIL_DROP: Dispenser = { kind: 'drop', millilitres: SLIP.oilDropMl }

/** The hand glides on a medium in this step. */
const glides = ({ technique }: Pick<PlanStep, 'technique'>): boolean => {
  const { stage, product } = TECHNIQUES[technique]
  return stage === KNEADED && product !== undefined
}
const isDry = ({ type, conditions }: Pick<Profile, 'type' | 'conditions'>): boolean =>
  type === 'dry' || conditions.includes('dehydrated')

/** What lies there: so many millilitres of a bottle on so much skin, since so many milliseconds. */
interface Lying {
  bottle: Pick<Product, 'dispenser' | 'density'>
  laid: Millilitres
  area: SquareCentimetres
  ranMs: number
}
/**
 * The top-up before it drags, by the bottle's own measure, or in drops where that is coarse;
 * undefined while it glides.
 */
export function topUpNow(
  step: Pick<PlanStep, 'technique'>,
  profile: Pick<Profile, 'type' | 'conditions'>,
  { bottle, laid, area, ranMs }: Lying,
): { words: string; millilitres: number } | undefined {
  const minute = fromMilliseconds(ranMs)
  const dry = isDry(profile)
  const film = filmOf(laid, bottle, area)
  if (!glides(step) || minute < dragsAfter(film, dry)) return undefined
  const { kind, millilitres } = FINE.includes(bottle.dispenser.kind) ? bottle.dispenser : OIL_DROP
  const count = topUpCount(laid, film, minute, dry, millilitres)
  return { words: describeMeasures(count, kind), millilitres: count * millilitres }
}

/** Milligrams on each square centimetre. */
const filmOf = (
  laid: Millilitres,
  { density }: Pick<Product, 'density'>,
  area: SquareCentimetres,
): number => (area > 0 ? (laid * density * GRAM_MILLIGRAMS) / area : 0)

/**
 * How long the medium has lain: since the step at hand began, or since it was topped up.
 * @param ranMs of the step, milliseconds
 * @param toppedUpAt the last measure taken for it, where there was one
 */
export function laidFor(state: RoomState, ranMs: number, toppedUpAt: number | undefined): number {
  const began = state.current?.since
  if (began === undefined || toppedUpAt === undefined) return ranMs
  return ranMs - Math.max(0, toppedUpAt - began)
}

/** The film that still lies on the skin after so many minutes, mg/cm². */
export function filmLeft(film: number, after: number, dry: boolean): number {
  const faster = dry ? SLIP.dryFactor : 1
  const minutes = Math.max(0, after)
  const left = film * Math.exp(-SLIP.sharePerMinute * faster * minutes)
  return Math.max(0, left - SLIP.milligramsPerMinute * faster * minutes)
}

/** Minutes after it went on when the hand begins to drag: to the half minute. */
export function dragsAfter(film: number, dry: boolean): Minutes {
  const drags = Math.max(SLIP.dragsBelowMilligrams, film * SLIP.dragsBelow)
  let after = 0
  while (film > drags && filmLeft(film, after, dry) > drags) after += SHORTEST_STEP
  return minutes(after)
}

/** Whole measures that bring it back to what it was: at least one. */
export const topUpCount = (
  laid: Millilitres,
  film: number,
  after: number,
  dry: boolean,
  measureMl: number = SLIP.oilDropMl,
): number => {
  const gone = film > 0 ? 1 - filmLeft(film, after, dry) / film : 1
  return Math.max(1, Math.round((laid * gone) / (measureMl || WATER_DROP_ML)))
}
