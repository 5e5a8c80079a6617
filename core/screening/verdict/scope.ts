import { WARN_DAYS } from '../../catalogue/rules/screening'
import { dayInWords, daysBetween } from '../asking/days'
import { LICENCE_IDS, type LicenceId } from '../../catalogue/kinds'

/** What one licence is worth on a day. */
export interface ScopeLine {
  licence: LicenceId
  counts: boolean
  until: string | null
  text: string
}
/**
 * The scope of a person in a house: what is held, has not run out on the day, and what the place
 * allows.
 * @param until last day of each licence that has one (ISO day)
 */
export function scopeOf(
  held: readonly LicenceId[],
  until: Readonly<Partial<Record<LicenceId, string>>>,
  place: readonly LicenceId[],
  today: string,
): ScopeLine[] {
  return LICENCE_IDS.map((licence) => {
    const last = until[licence] ?? null
    const text = !held.includes(licence)
      ? 'not held'
      : last !== null && last < today
        ? `ran out on ${dayInWords(last)}`
        : !place.includes(licence)
          ? 'not allowed here'
          : last !== null && daysBetween(today, last) <= WARN_DAYS
            ? `until ${dayInWords(last)}: renew it`
            : last !== null
              ? `until ${dayInWords(last)}`
              : 'held'
    return {
      licence,
      counts: held.includes(licence) && (last === null || last >= today) && place.includes(licence),
      until: last,
      text,
    }
  })
}
