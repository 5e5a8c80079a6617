import { EMPTY_BELOW, HALF_LIFE } from '../catalogue/rules/recovery'
import type { FindingId } from '../catalogue/consultation/findings'
import { HOUR_MS, ROUNDING } from '../units'
import { REGION_IDS, type RegionId } from '../face/zones'

/** What an earlier visit, or a night at home, poured in. `at` is milliseconds since 1970. */
export interface Poured {
  at: number
  label: string
  loads: Partial<Record<RegionId, number>>
  /** An evening that a routine had planned: what the client says of it counts instead. */
  planned?: FindingId
}

/**
 * Hours in which half the load has drained, by age, longer on thirsty skin.
 */
export function halfLifeHours(age: number | undefined, thirsty: boolean): number {
  const { young, old, unknownAge, thirstyFactor } = HALF_LIFE
  const years = Math.min(old.age, Math.max(young.age, age ?? unknownAge))
  const grown = (years - young.age) / (old.age - young.age)
  const base = young.hours + grown * (old.hours - young.hours)
  return thirsty ? base * thirstyFactor : base
}

/**
 * What is still in the basin of each region at a moment, hundredths, rounded up. Later pourings are
 * not counted.
 */
export function remainingAt(
  poured: readonly Poured[],
  at: number,
  halfLife: number,
): Record<RegionId, number> {
  const out = Object.fromEntries(REGION_IDS.map((region) => [region, 0])) as Record<
    RegionId,
    number
  >
  for (const pour of poured) {
    if (pour.at > at) continue
    const left = Math.pow(1 / 2, (at - pour.at) / HOUR_MS / halfLife)
    for (const region of REGION_IDS) out[region] += (pour.loads[region] ?? 0) * left
  }
  for (const region of REGION_IDS)
    out[region] = out[region] < EMPTY_BELOW ? 0 : Math.ceil(out[region] - ROUNDING)
  return out
}

/** The ledger of one region over time, one point each `stepHours`, for the chart. */
export function ledgerCurve(
  poured: readonly Poured[],
  region: RegionId,
  from: number,
  to: number,
  stepHours: number,
  halfLife: number,
): { at: number; load: number }[] {
  if (!(stepHours > 0)) throw new RangeError('stepHours must be above zero')
  const out: { at: number; load: number }[] = []
  for (let at = from; at <= to; at += stepHours * HOUR_MS)
    out.push({ at, load: remainingAt(poured, at, halfLife)[region] })
  return out
}
