import { AFTERCARE, type AftercarePart } from '../catalogue/rules/aftercare'
import {
  BLAND_EVENINGS,
  NEW_APART,
  NIGHTS_MOST,
  NIGHTS,
  type BlandEvening,
  type NightId,
} from '../catalogue/home/nightRows'
import { HOME_POURINGS, HOME_REGIONS } from '../catalogue/consultation/home'
import { REST_INTERVALS } from '../catalogue/rules/restIntervals'
import type { PastWork } from '../load/rest'
import { addDays, dayInWords, daysBetween, weekdayOf } from '../screening/asking/days'
import { toldMoment } from '../screening/asking/told'
import type { Bar, Verdict } from '../screening/verdict/verdict'
import { isNew, type HomeAsked, type HomeWish } from './asked'

/** A line of the card: which row, and until when. */
export interface CardLine {
  rule: string
  sentence: string
  /** Milliseconds since 1970. */
  until: number
}
export interface EveningsSource {
  /** ISO day of the visit: its evening is the first night. */
  today: string
  /** ISO day of the next visit: its eve is the last night. */
  until: string
  timeZone: string
  card: readonly CardLine[]
  /** Today's work, as later visits will read it. */
  work: PastWork | null
  /** What holds today: what ends on a day keeps evenings off until then. */
  verdict: Verdict
  asked: HomeAsked
}
/** Why an evening is off for something, in the kinds that are told apart. */
export interface Off {
  because: 'card' | 'rest' | 'next' | BlandEvening | 'new'
  why: string
}

/** The moment of an evening at home. @returns milliseconds since 1970 */
export const eveningOf = (day: string, timeZone: string): number =>
  toldMoment('night', addDays(day, 1), timeZone)

const asksOf = (rule: string): readonly AftercarePart[] =>
  AFTERCARE.find(({ id }) => id === rule)?.asks ?? []
/** The line of the card that is still on at a moment and forbids one of these. */
export const cardLineOn = (
  card: readonly CardLine[],
  at: number,
  parts: readonly AftercarePart[],
): CardLine | undefined =>
  card.find(({ rule, until }) => at < until && asksOf(rule).some((part) => parts.includes(part)))

/** Why only water is given on an evening: a shave, a journey, the eve of a flight or of long sun. */
export function blandEvening(day: string, asked: HomeAsked): BlandEvening | undefined {
  if (asked.sunDays.includes(addDays(day, 1))) return 'sun'
  const { away } = asked
  if (away && away.from <= day && day <= away.to) return 'away'
  return asked.shaves.includes(weekdayOf(day)) ? 'shave' : undefined
}
/** How many evenings there are until the next visit. */
export const nightsUntil = ({ today, until }: Pick<EveningsSource, 'today' | 'until'>): number =>
  Math.min(NIGHTS_MOST, Math.max(0, daysBetween(today, until)))

/** By night why a wish is off then, before anything is assigned. */
export function offEvenings(id: NightId, source: EveningsSource): (Off | undefined)[] {
  return Array.from({ length: nightsUntil(source) }, (_, night) =>
    offOn(id, addDays(source.today, night), source),
  )
}

function offOn(id: NightId, day: string, source: EveningsSource): Off | undefined {
  const row = NIGHTS[id]
  const line = cardLineOn(source.card, eveningOf(day, source.timeZone), [...row.offBy, 'leaveOn'])
  if (line) return { because: 'card', why: `after the visit: ${line.sentence}` }
  const rest = restOn(id, day, source.work) ?? barUntil(id, day, source.verdict)
  if (rest !== undefined) return { because: 'rest', why: rest }
  if (daysBetween(day, source.until) <= row.offBefore)
    return { because: 'next', why: `off for ${row.offBefore} nights before the next visit` }
  const bland = row.takesOff || row.finding ? blandEvening(day, source.asked) : undefined
  return bland && { because: bland, why: BLAND_EVENINGS[bland] }
}

/** A rest that today's work asks for and that is still on, said. */
function restOn(id: NightId, day: string, work: PastWork | null): string | undefined {
  if (!work) return undefined
  const since = daysBetween(work.day, day)
  const rest = REST_INTERVALS.find(
    (row) =>
      since < row.days &&
      work.families.some((family) => row.after.includes(family)) &&
      NIGHTS[id].families.some((family) => row.bars.includes(family)),
  )
  return rest && `${rest.sentence}, until ${dayInWords(addDays(work.day, rest.days))}`
}

/** Answers about what is used at home bar work in the room; at home these rules stand for them. */
const HOME_FINDINGS = HOME_POURINGS.map(({ finding }) => finding)
/** The bars of the day that speak of what a night is for, on the face. */
export const barsOn = (id: NightId, { bars }: Pick<Verdict, 'bars'>): Bar[] =>
  bars.filter(
    (bar) =>
      bar.does !== 'restricts' &&
      !(bar.finding !== undefined && HOME_FINDINGS.includes(bar.finding)) &&
      bar.regions.some((region) => HOME_REGIONS.includes(region)) &&
      NIGHTS[id].families.some((family) => bar.families.includes(family)),
  )
/** A bar that ends on a day and has not by then. */
const barUntil = (id: NightId, day: string, verdict: Verdict): string | undefined =>
  barsOn(id, verdict).find(({ until }) => until !== undefined && day < until)?.sentence

/**
 * From which night on each wish may begin: what is new comes one at a time, a week after the first
 * evening that the new one before it may have. What has no evening at all holds nothing back.
 */
export function firstNights(
  wishes: readonly HomeWish[],
  off: readonly (readonly (Off | undefined)[])[],
  asked: HomeAsked,
): number[] {
  let earliest = 0
  return wishes.map((wish, place) => {
    if (!isNew(asked, wish.id)) return 0
    const own = off[place] ?? []
    const free = own.findIndex((reason, night) => night >= earliest && reason === undefined)
    if (free < 0) return earliest
    earliest = free + NEW_APART
    return free
  })
}
