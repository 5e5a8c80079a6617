import { EVENT_DAYS } from '../../catalogue/rules/restraint'
import type { Answers } from '../asking/answers'
import { daysBetween, isDay } from '../asking/days'

/**
 * Days until what the client has ahead; 0 where it has no day yet, which counts as the nearest.
 * @param today ISO day
 * @returns undefined where nothing is ahead
 */
export function daysToEvent({ eventSoon }: Answers, today: string): number | undefined {
  if (eventSoon?.say !== 'yes') return undefined
  if (eventSoon.date === undefined || !isDay(eventSoon.date)) return 0
  const left = daysBetween(today, eventSoon.date)
  return left >= 0 ? left : undefined
}

/** Whether today is in the last days before an event. */
export const beforeEvent = (answers: Answers, today: string): boolean => {
  const left = daysToEvent(answers, today)
  return left !== undefined && left <= EVENT_DAYS
}
