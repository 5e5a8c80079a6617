import { DateTime } from 'luxon'
import { OPENED_ROWS, SOON_OVER_HOURS, type OpenedKind } from '../catalogue/rules/opened'
import { HOUR_MS } from '../units'

/**
 * Until when something is good that was opened at a moment, milliseconds since 1970.
 * @param zone of the house: its mornings are meant
 * @param hours what its own label or its recipe says, where that counts
 */
export function goodUntil(
  kind: OpenedKind,
  openedAt: number,
  zone: string,
  hours?: number,
): number {
  const { life } = OPENED_ROWS[kind]
  if ('nextDayAt' in life)
    return DateTime.fromMillis(openedAt, { zone })
      .plus({ days: 1 })
      .startOf('day')
      .set({ hour: life.nextDayAt })
      .toMillis()
  return openedAt + (hours ?? life.hours) * HOUR_MS
}

export type OpenedState = 'good' | 'soon' | 'over'
/** Whether it may still be used, should be used first, or is thrown out. */
export function openedState(until: number, now: number): OpenedState {
  if (now >= until) return 'over'
  return until - now <= SOON_OVER_HOURS * HOUR_MS ? 'soon' : 'good'
}

/** What is good still comes before what is over; what ends first is used first. */
export const usedFirst = <Own extends { until: number }>(list: readonly Own[], now: number) =>
  [...list].sort(
    (one, other) =>
      Number(openedState(one.until, now) === 'over') -
        Number(openedState(other.until, now) === 'over') || one.until - other.until,
  )
