/**
 * Instruments that may stand in the room, what they measure, and what a plausible skin gives.
 * Bounds and repeatabilities are house values.
 */
export const METER_KINDS = [
  'hydration',
  'sebum',
  'ph',
  'waterLoss',
  'temperature',
  'lightness',
  'redGreen',
  'blueYellow',
] as const
export type MeterKind = (typeof METER_KINDS)[number]
export interface Meter {
  kind: MeterKind
  name: string
  unit: string
  least: number
  most: number
  repeatability: number
}
const meter = (
  kind: MeterKind,
  name: string,
  unit: string,
  least: number,
  most: number,
  repeatability: number,
): Meter => ({ kind, name, unit, least, most, repeatability })
export const METERS: Readonly<Record<MeterKind, Meter>> = {
  hydration: meter('hydration', 'hydration', 'au', 5, 120, 4),
  sebum: meter('sebum', 'sebum', 'µg/cm²', 0, 350, 12),
  ph: meter('ph', 'pH', 'pH', 3, 8.5, 0.2),
  waterLoss: meter('waterLoss', 'water loss', 'g/m²h', 0, 90, 1.5),
  temperature: meter('temperature', 'temperature', '°C', 20, 42, 0.3),
  lightness: meter('lightness', 'L*', 'L*', 15, 95, 0.6),
  redGreen: meter('redGreen', 'a*', 'a*', -5, 40, 0.5),
  blueYellow: meter('blueYellow', 'b*', 'b*', -10, 45, 0.6),
}

/** Below this per cent of its battery a meter's own word is asked for, not trusted. House value. */
export const BATTERY_LOW = 10
