import { FEELS_HEAT, THICKNESS } from '../catalogue/rules/tolerance'
import { ALL_PERCENT, percentOf, ROUNDING } from '../units'
import { exfoliates } from '../catalogue/techniques/traits'
import { LEFT_ON_MINUTES } from '../catalogue/rules/bottleLoads'
import { TECHNIQUES, type Technique } from '../catalogue/techniques/techniques'
import type { LoadRule, Warmth } from '../catalogue/techniques/technique'
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
  heatPercent: number = ALL_PERCENT,
): number {
  const rule = technique.load
  const own = rule ? rule.hundredths * amountOf(rule.per, work) : 0
  const amount = own + ofBottle(technique, work)
  if (amount === 0) return 0
  const heat = feelsHeat(technique) ? heatPercent : ALL_PERCENT
  return Math.ceil(percentOf(percentOf(amount, THICKNESS[region]), heat) - ROUNDING)
}

/** An acid, enzyme or retinoid in whatever it is used with; what stays on works on. */
const ofBottle = ({ leaves }: Technique, { bottleRate = 0, handsMinutes }: Work): number =>
  bottleRate * Math.sqrt(leaves.layer === undefined ? handsMinutes : LEFT_ON_MINUTES)

/** What warmth still in the skin does to the load of what follows, per cent: as the warmest does. */
export const HEATED = Math.max(
  ALL_PERCENT,
  ...Object.values(TECHNIQUES).map(({ heatFactor = ALL_PERCENT }) => heatFactor),
)
/** The same by the warmth that is in it. */
export const heatOf = (warmth: Warmth): number => (warmth === 'warm' ? HEATED : ALL_PERCENT)

/** Whether warmth in the skin makes this work ask more. */
export const feelsHeat = (technique: Technique): boolean =>
  technique.families.some((family) => FEELS_HEAT.includes(family)) || exfoliates(technique.id)

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
