/**
 * Branded numbers, so that minutes cannot be handed in where millilitres are wanted.
 * Conversion factors: NIST Special Publication 811.
 */
declare const unit: unique symbol
type Unit<Name extends string> = number & { readonly [unit]: Name }

export type Minutes = Unit<'min'>
export type SquareCentimetres = Unit<'cm2'>
export type Grams = Unit<'g'>
export type Millilitres = Unit<'mL'>

/** A number as minutes. */
export const minutes = (amount: number) => amount as Minutes
/** A number as square centimetres. */
export const squareCentimetres = (amount: number) => amount as SquareCentimetres
/** A number as grams. */
export const grams = (amount: number) => amount as Grams
/** A number as millilitres. */
export const millilitres = (amount: number) => amount as Millilitres
/** Whole hundredths, as tables keep what has two places, and back. */
export const toHundredths = (amount: number): number => Math.round(amount * 100)
/** Whole hundredths as a number. */
export const fromHundredths = (hundredths: number): number => hundredths / 100
/** Whole thousandths, as tables keep what has three places. */
export const toThousandths = (amount: number): number => Math.round(amount * 1000)
/** Whole thousandths as a number. */
export const fromThousandths = (thousandths: number): number => thousandths / 1000
/** A part of a whole, per cent. */
export const inPercent = (part: number, whole = 1): number => Math.round((part / whole) * 100)
/** Minutes as a clock counts them, and back. */
export const toMilliseconds = (of: number): number => of * 60_000
/** Milliseconds as minutes. */
export const fromMilliseconds = (ms: number): number => ms / 60_000

/** Kilopascal in one inch of mercury and in one millimetre of mercury (NIST SP 811). */
export const KPA_PER_INHG = 3.386389
export const KPA_PER_MMHG = 0.1333224
/** Millilitres in a metric teaspoon, a US teaspoon, a US fluid ounce (NIST SP 811). */
export const ML_PER_TEASPOON = 5
export const ML_PER_US_TEASPOON = 4.928922
export const ML_PER_US_FL_OZ = 29.57353
export const MM_PER_INCH = 25.4

/** Milliseconds of a second. */
export const SECOND_MS = 1000

/** Planning counts time in ticks of thirty seconds. */
export const TICK_SECONDS = 30

/** The shortest step worth writing down: one tick. */
export const SHORTEST_STEP = TICK_SECONDS / 60

/** Minutes → whole ticks, rounded up: a plan never promises less time than a step takes. */
export function toTicks(minutes: Minutes): number {
  return Math.max(0, Math.ceil((minutes * 60) / TICK_SECONDS - 1e-9))
}

/** Whole ticks that fit into so many minutes, rounded down: a slot is never said to be longer. */
export function ticksWithin(slot: number): number {
  return Math.max(0, Math.floor((slot * 60) / TICK_SECONDS + 1e-9))
}

/** Minutes to the nearest tick, as a hand is timed. */
export const nearestTick = (amount: number): Minutes =>
  fromTicks(Math.round((amount * 60) / TICK_SECONDS))

/** Whole ticks in so many minutes, as minutes. */
export const floorTick = (amount: number): Minutes => fromTicks(ticksWithin(amount))

/** Ticks of 30 seconds as minutes. */
export function fromTicks(ticks: number): Minutes {
  return minutes((ticks * TICK_SECONDS) / 60)
}

/** Whether so many minutes are whole ticks: what a hand times is. */
export const isWholeTicks = (amount: number): boolean =>
  Number.isInteger((amount * 60) / TICK_SECONDS)

export const GRAM_MILLIGRAMS = 1000
export const JOULE_MILLIJOULES = 1000
export const MINUTE_SECONDS = 60
export const MINUTE_MS = 60_000
export const HOUR_MS = 3_600_000
export const DAY_MS = 86_400_000
export const DAY_HOURS = 24
export const WEEK_DAYS = 7
/** Weeks that a month touches at most. */
export const MONTH_WEEKS = 6
export const HOUR_MINUTES = 60
/** What a share of all is said in. */
export const ALL_PERCENT = 100
/** So many per cent of an amount. */
export const percentOf = (amount: number, percent: number): number =>
  (amount * percent) / ALL_PERCENT
/** What may be lost in the last digit of a sum of fractions. */
export const ROUNDING = 1e-9
/** pH is a logarithm to this base, on a scale that goes so far. */
export const PH_BASE = 10
export const MOST_PH = 14
const CENTIMETRE_MM = 10
/** Millimetres as centimetres. */
export const centimetres = (mm: number): number => mm / CENTIMETRE_MM
