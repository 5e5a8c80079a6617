import { REGION_IDS, type RegionId } from '../face/zones'

/** What an earlier visit, or a night at home, poured in. `at` is milliseconds since 1970. */
export interface Poured {
  at: number
  label: string
  loads: Partial<Record<RegionId, number>>
}

const HOUR = 3_600_000

/**
 * Hours in which half the load has drained. Anchored to barrier recovery after tape stripping:
 * about half in 24 h at 20–30 years,
 * about 15 % over 80 (Ghadially et al., J Clin Invest 1995; values from memory), so 24 h to 102 h,
 * linear in age between 25 and 80.
 * Thirsty skin recovers half as fast again (house scale).
 */
export function halfLifeHours(age: number | undefined, thirsty: boolean): number {
  const years = Math.min(80, Math.max(25, age ?? 45))
  const base = 24 + ((years - 25) / 55) * (102 - 24)
  return thirsty ? base * 1.5 : base
}

/** Less than this many hundredths is an empty basin; an exponential never quite gets there. */
const NOTHING = 0.05

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
    const left = Math.pow(0.5, (at - pour.at) / HOUR / halfLife)
    for (const region of REGION_IDS) out[region] += (pour.loads[region] ?? 0) * left
  }
  for (const region of REGION_IDS)
    out[region] = out[region] < NOTHING ? 0 : Math.ceil(out[region] - 1e-9)
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
  for (let at = from; at <= to; at += stepHours * HOUR)
    out.push({ at, load: remainingAt(poured, at, halfLife)[region] })
  return out
}
