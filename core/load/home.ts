import { HABIT_WEEKS } from '../catalogue/rules/recovery'
import { percentOf, WEEK_DAYS } from '../units'
import { HOME_POURINGS } from '../catalogue/consultation/home'
import { HOME_STRENGTHS, type HomeStrength } from '../catalogue/home/nightRows'
import type { Answer, Answers } from '../screening/asking/answers'
import { addDays, daysBetween, isDay } from '../screening/asking/days'
import { toldMoment } from '../screening/asking/told'
import type { Poured } from './ledger'

/** What is used at home at a rhythm, in words: a habit, which goes on until it is asked again. */
export const habitsAtHome = (answers: Answers): string[] =>
  HOME_POURINGS.flatMap((row) => {
    const answer = answers[row.finding]
    return answer && answer.say !== 'no' && (answer.perWeek ?? 0) > 0 ? [row.label] : []
  })

/** What an evening pours in, hundredths a region, by how strong it is. */
export const pouredByStrength = (hundredths: number, strength: HomeStrength = 'usual'): number =>
  Math.round(percentOf(hundredths, HOME_STRENGTHS[strength].percent))
/** The last evening that was named; last night where none was, or none that can be. */
const lastEvening = ({ date }: Answer, today: string): string =>
  date !== undefined && isDay(date) && date <= today ? date : addDays(today, -1)
/** Days between two evenings of a habit; none where no rhythm was told. */
const daysApart = ({ perWeek }: Answer): number | undefined =>
  perWeek !== undefined && perWeek > 0 ? WEEK_DAYS / perWeek : undefined
/** Evenings of a habit that goes on, between the last one told and today. */
const sinceThen = (last: string, today: string, gap: number): number =>
  Math.max(0, Math.floor((daysBetween(last, today) - 1) / gap))

/**
 * What the client says they used at home, as pourings: the last evening they name, and those
 * before it at the rhythm they name.
 * The last one at the hour they name, the others in the evening.
 * An answer without a day is taken as last night (`today` less one). Unsure counts as one evening:
 * the cautious side.
 * @param today ISO day
 * @param timeZone of the house: its evenings are meant
 * @param goesOn for a look between visits: a habit with a rhythm has not ended with the day it was
 *   told, it goes on to last night
 * @param until the moment of the visit, milliseconds since 1970: what was used today was used before
 */
export function pouredAtHome(
  answers: Answers,
  today: string,
  timeZone: string,
  { goesOn = false, until = Number.POSITIVE_INFINITY } = {},
): Poured[] {
  const out: Poured[] = []
  for (const row of HOME_POURINGS) {
    const answer = answers[row.finding]
    if (!answer || answer.say === 'no') continue
    const last = lastEvening(answer, today)
    const gap = daysApart(answer)
    const nights = gap === undefined ? 1 : Math.floor((HABIT_WEEKS * WEEK_DAYS) / gap)
    const hundredths = pouredByStrength(row.hundredths, answer.strength)
    const since = goesOn && gap !== undefined ? sinceThen(last, today, gap) : 0
    const evening = (night: number) =>
      toldMoment('night', addDays(last, 1 - Math.round(night * (gap ?? 0))), timeZone)
    for (let night = -since; night < nights; night++)
      out.push({
        at: Math.min(until, night === 0 && answer.at !== undefined ? answer.at : evening(night)),
        label: row.label,
        loads: Object.fromEntries(row.regions.map((region) => [region, hundredths])),
      })
  }
  return out
}
