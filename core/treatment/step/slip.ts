import { SLIP } from '../../catalogue/rules/byHand'
import type { PlanStep } from '../../catalogue/techniques/step'
import { TECHNIQUES } from '../../catalogue/techniques/techniques'
import type { Dispenser, Product } from '../../catalogue/products/products'
import { FINE, WATER_DROP_ML } from '../../catalogue/rules/dosing'
import { KNEADED } from '../../catalogue/rules/room'
import { describeMeasures } from '../../dosing/amount'
import type { Profile } from '../../skin/profile'
import type { RoomState } from '../fold/roomState'
import { fromMilliseconds, type Millilitres, type Minutes } from '../../units'

const OIL_DROP: Dispenser = { kind: 'drop', millilitres: SLIP.oilDropMl }

/** The hand glides on a medium in this step. */
const glides = ({ technique }: Pick<PlanStep, 'technique'>): boolean => {
  const { stage, product } = TECHNIQUES[technique]
  return stage === KNEADED && product !== undefined
}
const isDry = ({ type, conditions }: Pick<Profile, 'type' | 'conditions'>): boolean =>
  type === 'dry' || conditions.includes('dehydrated')

/**
 * The top-up before it drags, by the bottle's own measure, or in drops where that is coarse;
 * undefined while it glides.
 * @param laid what lay on the skin when it went on
 * @param ranMs since then, milliseconds
 */
export function topUpNow(
  step: Pick<PlanStep, 'technique'>,
  profile: Pick<Profile, 'type' | 'conditions'>,
  bottle: Pick<Product, 'dispenser'>,
  laid: Millilitres,
  ranMs: number,
): { words: string; millilitres: number } | undefined {
  const minute = fromMilliseconds(ranMs)
  const dry = isDry(profile)
  if (!glides(step) || minute < dragsAfter(dry)) return undefined
  const { kind, millilitres } = FINE.includes(bottle.dispenser.kind) ? bottle.dispenser : OIL_DROP
  const count = topUpCount(laid, minute, dry, millilitres)
  return { words: describeMeasures(count, kind), millilitres: count * millilitres }
}

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

/** Share of a medium that still lies on the skin after so many minutes. */
export const slipLeft = (after: number, dry: boolean): number =>
  Math.exp(-SLIP.sharePerMinute * (dry ? SLIP.dryFactor : 1) * Math.max(0, after))

/** Minutes after it went on when the hand begins to drag. */
export const dragsAfter = (dry: boolean): Minutes =>
  (Math.log(1 / SLIP.dragsBelow) / (SLIP.sharePerMinute * (dry ? SLIP.dryFactor : 1))) as Minutes

/** Whole measures that bring it back to what it was: at least one. */
export const topUpCount = (
  laid: Millilitres,
  after: number,
  dry: boolean,
  measureMl: number = SLIP.oilDropMl,
): number =>
  Math.max(1, Math.round((laid * (1 - slipLeft(after, dry))) / (measureMl || WATER_DROP_ML)))
