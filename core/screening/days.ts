/** Calendar days as ISO strings, without clocks or zones: `2026-03-01`. */
const DAY_MS = 86_400_000
const SHAPE = /^\d{4}-\d{2}-\d{2}$/

/** The same few days are asked about again and again: what they are is kept, within bounds. */
const known = new Map<string, number | null>()
const MOST_KNOWN = 4000
function dayNumber(s: string): number | null {
  const found = known.get(s)
  if (found !== undefined) return found
  const t = SHAPE.test(s) ? Date.parse(`${s}T00:00:00Z`) : Number.NaN
  const day = Number.isFinite(t) && new Date(t).toISOString().slice(0, 10) === s ? t / DAY_MS : null
  if (known.size >= MOST_KNOWN) known.clear()
  known.set(s, day)
  return day
}

export const isDay = (s: string): boolean => dayNumber(s) !== null

/** @throws RangeError when either is not a calendar day. */
export function daysBetween(from: string, to: string): number {
  const a = dayNumber(from)
  const b = dayNumber(to)
  if (a === null || b === null) throw new RangeError(`not a day: ${a === null ? from : to}`)
  return b - a
}

/** @throws RangeError when `day` is not a calendar day. */
export function addDays(day: string, days: number): string {
  const from = dayNumber(day)
  if (from === null) throw new RangeError(`not a day: ${day}`)
  return new Date((from + days) * DAY_MS).toISOString().slice(0, 10)
}
