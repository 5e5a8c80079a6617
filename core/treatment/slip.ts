import { SLIP } from '../catalogue/rules/byHand'
import type { PlanStep } from '../catalogue/techniques/step'
import { TECHNIQUES } from '../catalogue/techniques/techniques'
import { WATER_DROP_ML } from '../dosing/amount'
import type { Profile } from '../skin/profile'
import { fromMilliseconds, type Millilitres, type Minutes } from '../units'

/** The hand glides on a medium in this step. */
const glides = ({ technique }: Pick<PlanStep, 'technique'>): boolean => {
  const { stage, product } = TECHNIQUES[technique]
  return stage === 'massage' && product !== undefined
}
const isDry = ({ type, conditions }: Pick<Profile, 'type' | 'conditions'>): boolean =>
  type === 'dry' || conditions.includes('dehydrated')

/**
 * The top-up before it drags: so many drops, and how much that is; undefined while it glides.
 * @param laid what lay on the skin when it went on
 * @param ranMs since then, milliseconds
 */
export function topUpNow(
  step: Pick<PlanStep, 'technique'>,
  profile: Pick<Profile, 'type' | 'conditions'>,
  laid: Millilitres,
  ranMs: number,
): { drops: number; millilitres: number } | undefined {
  const minute = fromMilliseconds(ranMs)
  const dry = isDry(profile)
  if (!glides(step) || minute < dragsAfter(dry)) return undefined
  const drops = topUpDrops(laid, minute, dry)
  return { drops, millilitres: drops * SLIP.oilDropMl }
}

/** Share of a medium that still lies on the skin after so many minutes. */
export const slipLeft = (after: number, dry: boolean): number =>
  Math.exp(-SLIP.sharePerMinute * (dry ? SLIP.dryFactor : 1) * Math.max(0, after))

/** Minutes after it went on when the hand begins to drag. */
export const dragsAfter = (dry: boolean): Minutes =>
  (Math.log(1 / SLIP.dragsBelow) / (SLIP.sharePerMinute * (dry ? SLIP.dryFactor : 1))) as Minutes

/** Whole drops that bring it back to what it was: at least one. */
export const topUpDrops = (
  laid: Millilitres,
  after: number,
  dry: boolean,
  dropMl: number = SLIP.oilDropMl,
): number =>
  Math.max(1, Math.round((laid * (1 - slipLeft(after, dry))) / (dropMl || WATER_DROP_ML)))
