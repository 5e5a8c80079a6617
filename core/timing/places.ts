import { PLACE_STEP, USUAL_HOURS, VISIT_MINUTES } from '../catalogue/rules/visit'
import { DAY_HOURS, HOUR_MINUTES } from '../units'

/** A stretch of one day, in minutes from midnight of the house's own day. */
export interface Stretch {
  from: number
  to: number
}

export const DAY_MINUTES = DAY_HOURS * HOUR_MINUTES
/** Whether a visit can be so many minutes long. */
export const isVisitLength = (minutes: number): boolean =>
  minutes >= VISIT_MINUTES.least && minutes <= VISIT_MINUTES.most
/** Minutes from midnight by the clock on the wall, and back. */
export const minuteOfClock = (hour: number, minute: number): number => hour * HOUR_MINUTES + minute
/** Hour and minute of the clock on the wall, of minutes from midnight. */
export const clockOfMinute = (minute: number): { hour: number; minute: number } => ({
  hour: Math.floor(minute / HOUR_MINUTES),
  minute: minute % HOUR_MINUTES,
})

/** A whole day: what is open where no hours were told. */
export const WHOLE_DAY: Stretch = { from: 0, to: DAY_MINUTES }
/** When places are offered in a house that has told no hours. House value. */
export const USUAL_DAY: Stretch = {
  from: USUAL_HOURS.from * HOUR_MINUTES,
  to: USUAL_HOURS.to * HOUR_MINUTES,
}

/** When something is open on one day of the week, and on which days it is shut altogether. */
export interface Hours {
  /** By weekday, 1 Monday to 7 Sunday; empty where none were told at all. */
  openings: readonly (Stretch & { weekday: number })[]
  absences: readonly { firstDay: string; lastDay: string; word: string }[]
}

/**
 * What of a day is open: all of it where no hours were told, nothing while shut or away.
 * @param weekday 1 Monday to 7 Sunday
 */
export function openOn({ openings, absences }: Hours, day: string, weekday: number): Stretch[] {
  if (shutBecause({ absences }, day) !== undefined) return []
  if (openings.length === 0) return [WHOLE_DAY]
  return merged(openings.filter((own) => own.weekday === weekday))
}

/** Why a day is shut, or somebody away, in the house's own word. */
export const shutBecause = (
  { absences }: Pick<Hours, 'absences'>,
  day: string,
): string | undefined =>
  absences.find(({ firstDay, lastDay }) => firstDay <= day && day <= lastDay)?.word

/** Stretches in order, those that touch made one. */
export function merged(stretches: readonly Stretch[]): Stretch[] {
  const out: Stretch[] = []
  for (const { from, to } of [...stretches].sort((one, other) => one.from - other.from)) {
    const last = out.at(-1)
    if (last && from <= last.to) last.to = Math.max(last.to, to)
    else out.push({ from, to })
  }
  return out
}

/** What lies in both. */
export const inBoth = (some: readonly Stretch[], others: readonly Stretch[]): Stretch[] =>
  some.flatMap((one) =>
    others.flatMap((other) => {
      const both = { from: Math.max(one.from, other.from), to: Math.min(one.to, other.to) }
      return both.from < both.to ? [both] : []
    }),
  )

/** What is left of some stretches when others are taken out of them. */
export function without(some: readonly Stretch[], taken: readonly Stretch[]): Stretch[] {
  let left = [...some]
  for (const gone of taken)
    left = left.flatMap(({ from, to }) =>
      [
        { from, to: Math.min(to, gone.from) },
        { from: Math.max(from, gone.to), to },
      ].filter((piece) => piece.from < piece.to),
    )
  return left
}

/**
 * When of a day a room is free: it is wanted for a visit and for cleaning after it, and is cleaned after
 * those before.
 * @param open when the house is open
 * @param visits those in this room
 */
export const freeRoom = (
  open: readonly Stretch[],
  visits: readonly Stretch[],
  cleaningMinutes: number,
): Stretch[] =>
  without(
    open,
    visits.map(({ from, to }) => ({ from: from - cleaningMinutes, to: to + cleaningMinutes })),
  )

/** One day as places are sought in it. */
interface DayAsked {
  /** When the room is free, and when the person is there. */
  room: readonly Stretch[]
  person: readonly Stretch[]
  /** Visits of the person. */
  ofPerson: readonly Stretch[]
  /** Nothing before this minute: the day may have begun. */
  notBefore?: number
}

/** When a visit of so many minutes can begin, on the quarter hours, each minute of the day. */
export function placesFor(minutes: number, day: DayAsked): number[] {
  const free = without(inBoth(day.room, day.person), day.ofPerson)
  const earliest = Math.max(0, day.notBefore ?? 0)
  return free.flatMap(({ from, to }) => {
    const first = Math.ceil(Math.max(from, earliest) / PLACE_STEP) * PLACE_STEP
    const count = Math.floor((to - minutes - first) / PLACE_STEP) + 1
    return Array.from({ length: Math.max(0, count) }, (_, at) => first + at * PLACE_STEP)
  })
}
