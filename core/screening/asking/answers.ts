import { MOST_A_WEEK } from '../../catalogue/rules/recovery'
import type { WorkElsewhereId } from '../../catalogue/consultation/elsewhere'
import type { FindingId } from '../../catalogue/consultation/findings'
import type { HomeStrength } from '../../catalogue/home/nightRows'
import { FINDING_ORDER } from '../../catalogue/consultation/findings'
import type { ZoneId } from '../../face/zones'

/** What the client said to one question. "unsure" counts as ask before, never as no. */
export interface Answer {
  say: 'yes' | 'no' | 'unsure'
  /** ISO day it happened. */
  date?: string
  /** The moment it happened, milliseconds since 1970, where the hour was told. */
  at?: number
  zones?: readonly ZoneId[]
  substances?: readonly string[]
  /** What was done elsewhere. */
  work?: readonly WorkElsewhereId[]
  /** Evenings a week, for what is done at home. */
  perWeek?: number
  /** How strong what is used at home is; the usual where nothing is said of it. */
  strength?: HomeStrength
}
export type Answers = Partial<Record<FindingId, Answer>>

/** Questions that nobody has answered. */
export function openQuestions(answers: Answers): FindingId[] {
  return FINDING_ORDER.filter((id) => answers[id] === undefined)
}
/** Questions that were answered with "unsure": they stop what a yes would. */
export function unsureQuestions(answers: Answers): FindingId[] {
  return FINDING_ORDER.filter((id) => answers[id]?.say === 'unsure')
}

/** How often a week something is used at home, as typed; none where no rhythm can be made of it. */
export function perWeekFrom(typed: string): number | undefined {
  const times = Math.round(Number(typed))
  return times >= 1 && times <= MOST_A_WEEK ? times : undefined
}

/**
 * What was said last time, as a start for today; but for the day of a habit: that is always another
 * one by now, and so is an hour.
 */
export function startFrom(before: Answer | undefined, isHabit: boolean): Partial<Answer> {
  const { date, at: _at, ...rest } = before ?? {}
  return isHabit || date === undefined ? rest : { ...rest, date }
}

/** A list with one thing more, or without it where it was there. */
export const toggled = <Thing>(list: readonly Thing[], things: readonly Thing[]): Thing[] =>
  things.some((thing) => list.includes(thing))
    ? list.filter((own) => !things.includes(own))
    : [...list, ...things]
