import { WATER_DROP_ML } from '../dosing/amount'
import type { Minutes, Millilitres } from '../units'

/**
 * How long a medium glides. House scale: a thin sheen on the reference skin is taken up to a third
 * in ten minutes, faster on dry skin; below six tenths of it the hand begins to drag.
 */
export const SLIP = {
  sharePerMinute: 0.033,
  dryFactor: 1.6,
  dragsBelow: 0.6,
  /** Oil drops are smaller than water's. Common practice. */
  oilDropMl: 0.035,
} as const

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
