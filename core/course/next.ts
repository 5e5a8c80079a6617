import { NEXT_OFFERED, USUAL_DAYS } from '../catalogue/rules/visit'
import { TECHNIQUES, type TechniqueId } from '../catalogue/techniques/techniques'
import { earliestAgain } from '../load/rest'
import { addDays, weekdayOf } from '../screening/asking/days'

interface NextVisit {
  day: string
  reason: string
  rule: string
}
/**
 * The day to suggest for the next visit: four weeks on, or when the strictest rest interval has run
 * out if that is later.
 */
export function suggestNext(done: readonly TechniqueId[], day: string): NextVisit {
  const usual = addDays(day, USUAL_DAYS)
  const rest = earliestAgain(
    done.flatMap((technique) => TECHNIQUES[technique].families),
    day,
  )
  if (rest && rest.day > usual) return { day: rest.day, reason: rest.sentence, rule: rest.rule }
  return { day: usual, reason: 'one facial every four weeks', rule: 'course-usual' }
}

/** When somebody usually comes: 1 is Monday, minutes from midnight. */
export interface UsualTime {
  weekday: number
  minute: number
}

/**
 * Free places for the next visit, the nearest to this client's own weekday and hour first, one a day;
 * never before the day that the rests allow.
 * @param earliest ISO day
 */
export function nearPlaces<Place extends { day: string; startsAt: number }>(
  places: readonly Place[],
  earliest: string,
  usual: UsualTime,
  minuteOf: (startsAt: number) => number,
): Place[] {
  const sorted = places
    .filter(({ day }) => day >= earliest)
    .map((place) => ({
      place,
      away: Math.abs(minuteOf(place.startsAt) - usual.minute),
      other: Number(weekdayOf(place.day) !== usual.weekday),
    }))
    .toSorted(
      (one, two) =>
        one.other - two.other || one.away - two.away || one.place.startsAt - two.place.startsAt,
    )
    .map(({ place }) => place)
  const seen = new Set<string>()
  return sorted.filter(({ day }) => !seen.has(day) && seen.add(day)).slice(0, NEXT_OFFERED)
}
