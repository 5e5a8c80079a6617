import { METERS, type MeterKind } from '../catalogue/skin/meters'

/** Readings taken in a row on one zone. */
export const REPEATS = 3

type Refusal = 'unit' | 'nonsense' | 'range'
/** Why a single value is not taken, if it is not. */
export function refuseValue(
  kind: MeterKind,
  value: unknown,
  unit: unknown,
): { why: Refusal; text: string } | undefined {
  const meter = METERS[kind]
  if (unit !== meter.unit)
    return {
      why: 'unit',
      text: `The meter speaks ${typeof unit === 'string' ? unit : 'no unit'}, not ${meter.unit}. Nothing was stored.`,
    }
  if (typeof value !== 'number' || !Number.isFinite(value))
    return {
      why: 'nonsense',
      text: 'The meter sent something that is no number. Nothing was stored.',
    }
  if (value < meter.least || value > meter.most)
    return {
      why: 'range',
      text:
        `${value} ${meter.unit} cannot be skin (${meter.least} to ${meter.most}). ` +
        'Wipe the probe and take it again. Nothing was stored.',
    }
  return undefined
}

/**
 * Median and spread (greatest less least) of an odd number of values. @throws RangeError for none
 */
export function summarise(values: readonly number[]): { median: number; spread: number } {
  if (values.length === 0) throw new RangeError('no value')
  const sorted = [...values].sort((one, other) => one - other)
  const mid = Math.floor(sorted.length / 2)
  const median =
    sorted.length % 2 === 1 ? (sorted[mid] ?? 0) : ((sorted[mid - 1] ?? 0) + (sorted[mid] ?? 0)) / 2
  return { median, spread: (sorted[sorted.length - 1] ?? 0) - (sorted[0] ?? 0) }
}
/**
 * Whether two medians differ by more than the instrument's own repeatability allows: √2 of it, as
 * both carry it.
 */
export function changedBeyond(kind: MeterKind, before: number, after: number): boolean {
  return Math.abs(after - before) > METERS[kind].repeatability * Math.SQRT2
}
