import { THICKNESS } from '../catalogue/rim'
import type { Technique } from '../catalogue/technique'
import type { RegionId } from '../face/zones'

export interface Work { handsMinutes: number, dwellMinutes: number, passes: number }

/**
 * What a step asks of one region's barrier, in whole hundredths on the house scale, rounded up.
 * Dwelling products grow with the root of the minutes. Warmth still in the skin multiplies what follows.
 */
export function loadOn(region: RegionId, technique: Technique, work: Work, heatPercent = 100): number {
  const rule = technique.load
  if (!rule) return 0
  const amount = rule.per === 'handsMinute' ? work.handsMinutes : rule.per === 'dwellRoot' ? Math.sqrt(work.dwellMinutes) : rule.per === 'pass' ? work.passes : 1
  const heat = technique.heatFactor === undefined ? heatPercent : 100
  return Math.ceil((rule.hundredths * amount * THICKNESS[region] * heat) / 10_000 - 1e-9)
}
