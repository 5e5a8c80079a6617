import { DateTime } from 'luxon'
import { TOLD_MOMENTS, type ToldMomentId } from '../../catalogue/consultation/told'

/**
 * The moment that a word means on a day, milliseconds since 1970: "last night" of 10 March is 9 pm of
 * the 9th by the clock of the house.
 * @param today ISO day of the house
 * @param timeZone of the practice, as the tz database names it
 */
export function toldMoment(id: ToldMomentId, today: string, timeZone: string): number {
  const { hour, daysBack } = TOLD_MOMENTS[id]
  return DateTime.fromISO(today, { zone: timeZone })
    .minus({ days: daysBack })
    .set({ hour })
    .toMillis()
}

/** The ISO day of a moment by the clock of the house. @param at milliseconds since 1970 */
export const dayOfMoment = (at: number, timeZone: string): string =>
  DateTime.fromMillis(at, { zone: timeZone }).toISODate() ?? ''
