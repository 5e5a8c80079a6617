import { PLACE_STEP, SHORTEST_GAP, USUAL_HOURS } from '#core/catalogue/rules/visit'
import { DAY_HOURS, HOUR_MINUTES } from '#core/units'
import type { DayPage, DayVisit } from '#contracts/replies/day'
import { merged, without, type Stretch } from '#core/timing/places'
import { clock } from '~/composables/dates'

/** More rooms than these stand narrow, side by side. */
export const ROOMS_WIDE = 3
/** Pixels for one hour of the day: as a rule, and at most; narrow cards need more lines. */
const HOUR_PX = { wide: 62, narrow: 92, most: 240 }
/** Letters of a name that fit on a line of its card. */
const LETTERS = { wide: 18, narrow: 13 }
/** Pixels of a line of a name, of the state that stands below it on a narrow card, of the menu, of the edge. */
const CARD_PX = { line: 19, state: { wide: 0, narrow: 16 }, menu: 22, edge: 8 }
/** Pixels left free on either side of a card. */
const SIDE_PX = 10

/** Lines that a name takes where so many letters fit on one; a longer word is broken. */
function linesOf(name: string, letters: number): number {
  let lines = 1
  let used = 0
  for (const word of name.split(' ')) {
    if (used > 0 && used + 1 + word.length > letters) {
      lines += 1
      used = 0
    }
    lines += Math.max(0, Math.ceil(word.length / letters) - 1)
    used += (used > 0 ? 1 : 0) + (word.length % letters || Math.min(word.length, letters))
  }
  return lines
}

/** The day is drawn so tall that every visit, however short, shows its whole name and its menu. */
function hourPxOf({ rooms, visits }: DayPage): number {
  const size = rooms.length > ROOMS_WIDE ? 'narrow' : 'wide'
  const needed = visits.map(({ client, minutes }) => {
    const name = linesOf(client, LETTERS[size]) * CARD_PX.line
    const rest = CARD_PX.state[size] + CARD_PX.menu + CARD_PX.edge
    return ((name + rest) / minutes) * HOUR_MINUTES
  })
  return Math.min(HOUR_PX.most, Math.max(HOUR_PX[size], ...needed.map(Math.ceil)))
}

/** A stretch of a room's day in which nothing is booked yet. */
export interface OpenGap extends Stretch {
  words: string
}

/** "14:30" of minutes from midnight. */
export const minuteWords = (minute: number): string =>
  `${String(Math.floor(minute / HOUR_MINUTES)).padStart(2, '0')}:${String(minute % HOUR_MINUTES).padStart(2, '0')}`

interface Column {
  at: number
  of: number
}
/** Visits that run at once in one room stand side by side and share its width: neither hides the other. */
function columnsOf(
  visits: readonly DayVisit[],
  stretchOf: (visit: DayVisit) => Stretch,
): ReadonlyMap<string, Column> {
  const columns = new Map<string, Column>()
  for (const roomId of new Set(visits.map((visit) => visit.roomId))) {
    const own = visits
      .filter((visit) => visit.roomId === roomId)
      .map((visit) => ({ id: visit.id, ...stretchOf(visit) }))
      .sort((one, other) => one.from - other.from || (one.id < other.id ? -1 : 1))
    let together: { id: string; at: number }[] = []
    let ends: number[] = []
    const close = () => {
      for (const { id, at } of together) columns.set(id, { at, of: ends.length })
      together = []
      ends = []
    }
    for (const { id, from, to } of own) {
      if (ends.every((end) => end <= from)) close()
      const free = ends.findIndex((end) => end <= from)
      const at = free < 0 ? ends.length : free
      ends[at] = to
      together.push({ id, at })
    }
    close()
  }
  return columns
}

/** One alone keeps the edges that its card has. */
const sideOf = ({ at, of }: Column = { at: 0, of: 1 }) => {
  const edge = (share: number) => `calc(${SIDE_PX}px + (100% - ${2 * SIDE_PX}px) * ${share / of})`
  return of === 1 ? { left: `${SIDE_PX}px` } : { left: edge(at), right: edge(of - 1 - at) }
}

/** Where everything of a day lies: by the hour, in the house's own time. */
export function dayLayout(page: DayPage) {
  const { visits, timeZone, cleaningMinutes, open } = page
  const hourPx = hourPxOf(page)
  const minuteOf = (at: number) => {
    const [hour = 0, minute = 0] = clock(at, timeZone).split(':').map(Number)
    return hour * HOUR_MINUTES + minute
  }
  const stretchOf = (visit: DayVisit): Stretch => {
    const from = minuteOf(visit.startsAt)
    return { from, to: from + visit.minutes }
  }
  const all = [...visits.map(stretchOf), ...open]
  const first = Math.min(
    USUAL_HOURS.from,
    ...all.map(({ from }) => Math.floor(from / HOUR_MINUTES)),
  )
  const last = Math.min(
    DAY_HOURS,
    Math.max(USUAL_HOURS.to, ...all.map(({ to }) => Math.ceil(to / HOUR_MINUTES))),
  )
  const px = (minute: number) => ((minute - first * HOUR_MINUTES) / HOUR_MINUTES) * hourPx
  const columns = columnsOf(visits, stretchOf)
  const place = ({ from, to }: Stretch) => ({
    top: `${px(from)}px`,
    height: `${((to - from) / HOUR_MINUTES) * hourPx}px`,
  })
  return {
    hours: Array.from({ length: last - first }, (_, i) => ({
      hour: first + i,
      top: `${i * hourPx}px`,
    })),
    height: `${(last - first) * hourPx}px`,
    minuteOf,
    top: (minute: number) => `${px(minute)}px`,
    styleOf: (visit: DayVisit) => ({
      ...place(stretchOf(visit)),
      ...sideOf(columns.get(visit.id)),
    }),
    seamOf: (visit: DayVisit) => {
      const { to } = stretchOf(visit)
      return place({ from: to, to: to + cleaningMinutes })
    },
    /** What of a room's cloth is not open that day. */
    shut: without([{ from: first * HOUR_MINUTES, to: last * HOUR_MINUTES }], open).map(place),
    /** Open weave of a room that a visit still fits into, with what it is called. */
    gaps: (roomId: string, now: number): (OpenGap & { style: ReturnType<typeof place> })[] => {
      const taken = merged(
        visits
          .filter((visit) => visit.roomId === roomId)
          .map(stretchOf)
          .map(({ from, to }) => ({ from: from - cleaningMinutes, to: to + cleaningMinutes })),
      )
      const past = [{ from: 0, to: Math.ceil(now / PLACE_STEP) * PLACE_STEP }]
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
      first * HOUR_MINUTES +
      Math.max(0, Math.round(((y / hourPx) * HOUR_MINUTES) / PLACE_STEP)) * PLACE_STEP,
  }
}
export type DayLayout = ReturnType<typeof dayLayout>
