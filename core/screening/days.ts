/** Calendar days as ISO strings, without clocks or zones: `2026-03-01`. */
const DAY_MS = 86_400_000
const SHAPE = /^\d{4}-\d{2}-\d{2}$/

export function isDay(s: string): boolean {
  if (!SHAPE.test(s)) return false
  const t = Date.parse(`${s}T00:00:00Z`)
  return Number.isFinite(t) && new Date(t).toISOString().slice(0, 10) === s
}

/** @throws RangeError when either is not a calendar day. */
export function daysBetween(from: string, to: string): number {
  if (!isDay(from) || !isDay(to)) throw new RangeError(`not a day: ${isDay(from) ? to : from}`)
  return Math.round((Date.parse(`${to}T00:00:00Z`) - Date.parse(`${from}T00:00:00Z`)) / DAY_MS)
}

/** @throws RangeError when `day` is not a calendar day. */
export function addDays(day: string, days: number): string {
  if (!isDay(day)) throw new RangeError(`not a day: ${day}`)
  return new Date(Date.parse(`${day}T00:00:00Z`) + days * DAY_MS).toISOString().slice(0, 10)
}
