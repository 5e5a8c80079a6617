/** Instruments that may stand in the room, what they measure, and what a plausible skin gives. Bounds and repeatabilities are house values. */
export const METER_KINDS = ['hydration', 'sebum', 'ph', 'waterLoss', 'temperature', 'lightness', 'redGreen', 'blueYellow'] as const
export type MeterKind = (typeof METER_KINDS)[number]
export interface Meter { kind: MeterKind, name: string, unit: string, least: number, most: number, repeatability: number }
const meter = (kind: MeterKind, name: string, unit: string, least: number, most: number, repeatability: number): Meter => ({ kind, name, unit, least, most, repeatability })
export const METERS: Readonly<Record<MeterKind, Meter>> = {
  hydration: meter('hydration', 'hydration', 'au', 5, 120, 4), sebum: meter('sebum', 'sebum', 'µg/cm²', 0, 350, 12), ph: meter('ph', 'pH', 'pH', 3, 8.5, 0.2), waterLoss: meter('waterLoss', 'water loss', 'g/m²h', 0, 90, 1.5),
  temperature: meter('temperature', 'temperature', '°C', 20, 42, 0.3), lightness: meter('lightness', 'L*', 'L*', 15, 95, 0.6), redGreen: meter('redGreen', 'a*', 'a*', -5, 40, 0.5), blueYellow: meter('blueYellow', 'b*', 'b*', -10, 45, 0.6),
}
/** Readings taken in a row on one zone. */
export const REPEATS = 3

export type Refusal = 'unit' | 'nonsense' | 'range'
/** Why a single value is not taken, if it is not. */
export function refuseValue(kind: MeterKind, value: unknown, unit: unknown): { why: Refusal, text: string } | undefined {
  const m = METERS[kind]
  if (unit !== m.unit) return { why: 'unit', text: `The meter speaks ${typeof unit === 'string' ? unit : 'no unit'}, not ${m.unit}. Nothing was stored.` }
  if (typeof value !== 'number' || !Number.isFinite(value)) return { why: 'nonsense', text: 'The meter sent something that is no number. Nothing was stored.' }
  if (value < m.least || value > m.most) return { why: 'range', text: `${value} ${m.unit} cannot be skin (${m.least} to ${m.most}). Wipe the probe and take it again. Nothing was stored.` }
  return undefined
}

/** Median and spread (greatest less least) of an odd number of values. @throws RangeError for none */
export function summarise(values: readonly number[]): { median: number, spread: number } {
  if (values.length === 0) throw new RangeError('no value')
  const s = [...values].sort((a, b) => a - b)
  const mid = Math.floor(s.length / 2)
  const median = s.length % 2 === 1 ? (s[mid] ?? 0) : ((s[mid - 1] ?? 0) + (s[mid] ?? 0)) / 2
  return { median, spread: (s[s.length - 1] ?? 0) - (s[0] ?? 0) }
}
/** Whether two medians differ by more than the instrument's own repeatability allows: √2 of it, as both carry it. */
export function changedBeyond(kind: MeterKind, before: number, after: number): boolean {
  return Math.abs(after - before) > METERS[kind].repeatability * Math.SQRT2
}
