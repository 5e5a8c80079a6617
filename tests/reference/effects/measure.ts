export type Measure = () => unknown
export const HOUR_MS = 3_600_000
/** Sums of fractions differ in their last digits; so many of them are kept. */
export const rounded = (value: number): number => Number(value.toPrecision(6))
