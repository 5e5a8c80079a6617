/** Calendar days as ISO strings, without clocks or zones: `2026-03-01`. */
import { asRead } from '../../dateForms'
import { DAY_MS, WEEK_DAYS } from '../../units'

const SHAPE = /^\d{4}-\d{2}-\d{2}$/

/** The same few days are asked about again and again: what they are is kept, within bounds. */
const known = new Map<string, number | null>()
const MOST_KNOWN = 4000
function dayNumber(text: string): number | null {
  const found = known.get(text)
  if (found !== undefined) return found
  const parsed = SHAPE.test(text) ? Date.parse(`${text}T00:00:00Z`) : Number.NaN
  const day =
    Number.isFinite(parsed) && new Date(parsed).toISOString().slice(0, 10) === text
      ? parsed / DAY_MS
      : null
  if (known.size >= MOST_KNOWN) known.clear()
  known.set(text, day)
  return day
}

/** Whether a text is a calendar day, YYYY-MM-DD. */
export const isDay = (text: string): boolean => dayNumber(text) !== null

/** A calendar day as it is read: 'Sat 28 Nov 2026'. What is no day stays as it is. */
export const dayInWords = (day: string): string =>
  isDay(day) ? asRead('dayOfYear', Date.parse(`${day}T00:00:00Z`), 'UTC').replace(',', '') : day

/** @throws RangeError when either is not a calendar day. */
export function daysBetween(from: string, to: string): number {
  const one = dayNumber(from)
  const other = dayNumber(to)
  if (one === null || other === null) throw new RangeError(`not a day: ${one === null ? from : to}`)
  return other - one
}

/** @throws RangeError when `day` is not a calendar day. */
export function addDays(day: string, days: number): string {
  const from = dayNumber(day)
  if (from === null) throw new RangeError(`not a day: ${day}`)
  return new Date((from + days) * DAY_MS).toISOString().slice(0, 10)
}

const A_MONDAY = '2024-01-01'
/** 1 is Monday, 7 is Sunday. @param day ISO day */
export const weekdayOf = (day: string): number =>
  (((daysBetween(A_MONDAY, day) % WEEK_DAYS) + WEEK_DAYS) % WEEK_DAYS) + 1
