import { DateTime } from 'luxon'
import { dayOfMoment } from '#core/screening/asking/told'
import { clockOfMinute, minuteOfClock } from '#core/timing/places'

/** The practice's own day of a moment, ISO. */
export const dayIn = (zone: string, at: number | Date): string => dayOfMoment(Number(at), zone)

/** First and last millisecond of a day in the practice's zone. */
export function dayBounds(zone: string, day: string): { from: Date; to: Date } {
  const start = DateTime.fromISO(day, { zone }).startOf('day')
  return { from: start.toJSDate(), to: start.plus({ days: 1 }).toJSDate() }
}

export function ageOn(born: string | null, today: string): number | null {
  if (born === null) return null
  return Math.floor(DateTime.fromISO(today).diff(DateTime.fromISO(born), 'years').years)
}

/** 1 Monday to 7 Sunday. */
export const weekdayOf = (day: string): number => DateTime.fromISO(day, { zone: 'UTC' }).weekday

/** Minutes from midnight by the clock on the wall of the house. */
export function minuteIn(zone: string, at: number | Date): number {
  const when = DateTime.fromMillis(typeof at === 'number' ? at : at.getTime(), { zone })
  return minuteOfClock(when.hour, when.minute)
}

/** The moment at which the wall clock of the house shows so many minutes from midnight. */
export const momentAt = (zone: string, day: string, minute: number): Date =>
  DateTime.fromISO(day, { zone }).set(clockOfMinute(minute)).toJSDate()
