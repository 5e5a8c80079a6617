import { exfoliates } from '../catalogue/techniques/traits'
import { LEFT_ON_MINUTES } from '../catalogue/rules/bottleLoads'
import { THICKNESS } from '../catalogue/rules/tolerance'
import { TECHNIQUES, type Technique } from '../catalogue/techniques/techniques'
import type { LoadRule } from '../catalogue/techniques/technique'
import type { RegionId } from '../face/zones'

export interface Work {
  handsMinutes: number
  dwellMinutes: number
  passes: number
  /** Free acid of the product, per cent. */ freeAcid?: number
  /** The device's own number. */ setting?: number
  /** What its bottle pours beside the technique, hundredths by root of the minutes. */
  bottleRate?: number
}

/**
 * What a step asks of one region's barrier, in whole hundredths on the house scale, rounded up.
 * Dwelling products grow with the root of the minutes. Warmth still in the skin multiplies what
 * takes something off or pulls (common practice; house scale).
 */
export function loadOn(
  region: RegionId,
  technique: Technique,
  work: Work,
  heatPercent = 100,
): number {
  const rule = technique.load
  const own = rule ? rule.hundredths * amountOf(rule.per, work) : 0
  const amount = own + ofBottle(technique, work)
  if (amount === 0) return 0
  const heat = feelsHeat(technique) ? heatPercent : 100
  return Math.ceil((amount * THICKNESS[region] * heat) / 10_000 - 1e-9)
}

/** An acid, enzyme or retinoid in whatever it is used with; what stays on works on. */
const ofBottle = ({ leaves }: Technique, { bottleRate = 0, handsMinutes }: Work): number =>
  bottleRate * Math.sqrt(leaves.layer === undefined ? handsMinutes : LEFT_ON_MINUTES)

/** What warmth still in the skin does to the load of what follows, per cent. */
export const HEATED = TECHNIQUES.steam.heatFactor ?? 100

/** Whether warmth in the skin makes this work ask more. */
export const feelsHeat = (technique: Technique): boolean =>
  technique.families.includes('vacuum') || exfoliates(technique.id)

function amountOf(per: LoadRule['per'], work: Work): number {
  switch (per) {
    case 'handsMinute':
      return work.handsMinutes
    case 'dwellRoot':
      return Math.sqrt(work.dwellMinutes)
    case 'freeAcidRoot':
      return (work.freeAcid ?? 0) * Math.sqrt(work.dwellMinutes)
    case 'pass':
      return work.passes
    case 'setting':
      return work.setting ?? 0
    case 'once':
      return 1
  }
}
