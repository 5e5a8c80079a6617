import { asRead } from '#core/dateForms'
import { dayInWords } from '#core/screening/asking/days'
import { DAY_MS, HOUR_MINUTES, MINUTE_SECONDS, SECOND_MS, WEEK_DAYS } from '#core/units'
/** Dates and times as they are read in the house's own zone. */
export const clock = (at: number, zone: string) => asRead('clock', at, zone)
/** The year is said where it is not this one. */
export const dayWords = (at: number, zone: string) => {
  const ofThisYear = asRead('year', at, zone) === asRead('year', Date.now(), zone)
  return asRead(ofThisYear ? 'day' : 'dayOfYear', at, zone).replace(',', '')
}
/** An ISO day of the house in words; a day has no zone. */
export const isoDayWords = (day: string) => dayWords(noonOf(day), 'UTC')
/** An ISO day as it stands in a field: "Mon 30 Nov" of this year, "17 Sep 2031" of another. */
export const fieldDay = (day: string) =>
  day.slice(0, 4) === String(new Date().getFullYear())
    ? isoDayWords(day)
    : dayInWords(day).replace(/^\S+ /, '')
/** The noon of an ISO day, from which its words are made. */
export const noonOf = (day: string) => Date.parse(`${day}T12:00:00Z`)
export const fullDay = (at: number, zone: string) => asRead('fullDay', at, zone)
export const dayAndClock = (at: number, zone: string) => `${dayWords(at, zone)}, ${clock(at, zone)}`
/** "12 min", "3 h 18 min": a span of whole minutes. */
export const spanWords = (minutes: number): string => {
  const hours = Math.floor(minutes / HOUR_MINUTES)
  const rest = minutes - hours * HOUR_MINUTES
  return [hours > 0 ? `${hours} h` : '', rest > 0 || hours === 0 ? `${rest} min` : '']
    .filter(Boolean)
    .join(' ')
}
/** Elapsed time as m:ss. */
export const elapsed = (ms: number) => {
  const seconds = Math.max(0, Math.floor(ms / SECOND_MS))
  return `${Math.floor(seconds / MINUTE_SECONDS)}:${String(seconds % MINUTE_SECONDS).padStart(2, '0')}`
}
/** "5 weeks ago", "yesterday": how long a moment lies back. */
export function daysAgo(at: number, now = Date.now()): string {
  const days = Math.max(0, Math.round((now - at) / DAY_MS))
  const word = new Intl.RelativeTimeFormat('en-GB', { numeric: 'auto' })
  return days < 2 * WEEK_DAYS
    ? word.format(-days, 'day')
    : word.format(-Math.round(days / WEEK_DAYS), 'week')
}
