import type { DayVisit } from '#contracts/day'
import { clock } from '~/composables/dates'

/** Pixels for one hour of the day. */
export const HOUR_PX = 60
/** The hours that are always shown. */
const USUAL = { from: 8, to: 19 } as const
const SIDE_PX = 30

/** Where the visits of a day lie: by the hour, in the house's own time. */
export function dayLayout(visits: readonly DayVisit[], timeZone: string) {
  const hourOf = (at: number) => {
    const [hour = 0, minute = 0] = clock(at, timeZone).split(':').map(Number)
    return hour + minute / 60
  }
  const endOf = (visit: DayVisit) => hourOf(visit.startsAt) + visit.minutes / 60
  const from = Math.min(USUAL.from, ...visits.map((visit) => Math.floor(hourOf(visit.startsAt))))
  const to = Math.min(24, Math.max(USUAL.to, ...visits.map((visit) => Math.ceil(endOf(visit)))))
  /** Two visits at once in one room stand side by side, so that neither hides the other. */
  const beside = (visit: DayVisit) =>
    visits.filter(
      (other) =>
        other.roomId === visit.roomId &&
        other.id !== visit.id &&
        other.startsAt <= visit.startsAt &&
        other.startsAt + other.minutes * 60_000 > visit.startsAt &&
        (other.startsAt < visit.startsAt || other.id < visit.id),
    ).length
  return {
    hours: Array.from({ length: to - from }, (_, i) => from + i),
    height: `${(to - from) * HOUR_PX}px`,
    styleOf: (visit: DayVisit) => ({
      top: `${(hourOf(visit.startsAt) - from) * HOUR_PX}px`,
      height: `${(visit.minutes / 60) * HOUR_PX}px`,
      left: `${4 + beside(visit) * SIDE_PX}px`,
    }),
  }
}
