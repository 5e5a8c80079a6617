import type { DayPage, DayVisit } from '#contracts/day'
import { merged, without, type Stretch } from '#core/timing/places'
import { clock } from '~/composables/dates'

/** Pixels for one hour of the day. */
export const HOUR_PX = 62
const HOUR = 60
/** The hours that are always shown. */
const USUAL = { from: 8, to: 18 } as const
const SIDE_PX = 30
/** A gap that is shorter than the shortest visit is not offered. */
const SHORTEST_GAP = 30
/** Visits are set on the quarter hours when they are dragged. */
const DROP_STEP = 15

/** A stretch of a room's day in which nothing is booked yet. */
export interface OpenGap extends Stretch {
  words: string
}

/** "14:30" of minutes from midnight. */
export const minuteWords = (minute: number): string =>
  `${String(Math.floor(minute / HOUR)).padStart(2, '0')}:${String(minute % HOUR).padStart(2, '0')}`

/** Where everything of a day lies: by the hour, in the house's own time. */
export function dayLayout(page: DayPage) {
  const { visits, timeZone, cleaningMinutes, open } = page
  const minuteOf = (at: number) => {
    const [hour = 0, minute = 0] = clock(at, timeZone).split(':').map(Number)
    return hour * HOUR + minute
  }
  const stretchOf = (visit: DayVisit): Stretch => {
    const from = minuteOf(visit.startsAt)
    return { from, to: from + visit.minutes }
  }
  const all = [...visits.map(stretchOf), ...open]
  const first = Math.min(USUAL.from, ...all.map(({ from }) => Math.floor(from / HOUR)))
  const last = Math.min(24, Math.max(USUAL.to, ...all.map(({ to }) => Math.ceil(to / HOUR))))
  const px = (minute: number) => ((minute - first * HOUR) / HOUR) * HOUR_PX
  /** Two visits at once in one room stand side by side, so that neither hides the other. */
  const beside = (visit: DayVisit) =>
    visits.filter(
      (other) =>
        other.roomId === visit.roomId &&
        other.id !== visit.id &&
        stretchOf(other).from <= stretchOf(visit).from &&
        stretchOf(other).to > stretchOf(visit).from &&
        (other.startsAt < visit.startsAt || other.id < visit.id),
    ).length
  const place = ({ from, to }: Stretch) => ({
    top: `${px(from)}px`,
    height: `${((to - from) / HOUR) * HOUR_PX}px`,
  })
  return {
    hours: Array.from({ length: last - first }, (_, i) => first + i),
    height: `${(last - first) * HOUR_PX}px`,
    minuteOf,
    top: (minute: number) => `${px(minute)}px`,
    styleOf: (visit: DayVisit) => ({
      ...place(stretchOf(visit)),
      left: `${10 + beside(visit) * SIDE_PX}px`,
    }),
    seamOf: (visit: DayVisit) => {
      const { to } = stretchOf(visit)
      return place({ from: to, to: to + cleaningMinutes })
    },
    /** What of a room's cloth is not open that day. */
    shut: without([{ from: first * HOUR, to: last * HOUR }], open).map(place),
    /** Open weave of a room that a visit still fits into, with what it is called. */
    gaps: (roomId: string, now: number): (OpenGap & { style: ReturnType<typeof place> })[] => {
      const taken = merged(
        visits
          .filter((visit) => visit.roomId === roomId)
          .map(stretchOf)
          .map(({ from, to }) => ({ from: from - cleaningMinutes, to: to + cleaningMinutes })),
      )
      const past = [{ from: 0, to: Math.ceil(now / DROP_STEP) * DROP_STEP }]
      return without(open, [...taken, ...past])
        .filter(({ from, to }) => to - from >= SHORTEST_GAP)
        .map((gap) => ({
          ...gap,
          words: `open ${minuteWords(gap.from)} to ${minuteWords(gap.to)}`,
          style: place(gap),
        }))
    },
    /** The minute that a height on the cloth means, on the quarter hour. */
    minuteAt: (y: number) =>
      first * HOUR + Math.max(0, Math.round(((y / HOUR_PX) * HOUR) / DROP_STEP)) * DROP_STEP,
  }
}
export type DayLayout = ReturnType<typeof dayLayout>
