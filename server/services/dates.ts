import { DateTime } from 'luxon'

/** The practice's own day of a moment, ISO. */
export const dayIn = (zone: string, at: number | Date) =>
  DateTime.fromMillis(typeof at === 'number' ? at : at.getTime(), { zone }).toISODate() ?? ''

/** First and last millisecond of a day in the practice's zone. */
export function dayBounds(zone: string, day: string): { from: Date; to: Date } {
  const start = DateTime.fromISO(day, { zone }).startOf('day')
  return { from: start.toJSDate(), to: start.plus({ days: 1 }).toJSDate() }
}

export function ageOn(born: string | null, today: string): number | null {
  if (born === null) return null
  return Math.floor(DateTime.fromISO(today).diff(DateTime.fromISO(born), 'years').years)
}
