import type { WorkElsewhereId } from '../catalogue/consultation/elsewhere'
import type { FindingId } from '../catalogue/consultation/findings'
import { FINDING_ORDER } from '../catalogue/consultation/findings'
import type { ZoneId } from '../face/zones'

/** What the client said to one question. "unsure" counts as ask before, never as no. */
export interface Answer {
  say: 'yes' | 'no' | 'unsure'
  /** ISO day it happened. */
  date?: string
  zones?: readonly ZoneId[]
  substances?: readonly string[]
  /** What was done elsewhere. */
  work?: readonly WorkElsewhereId[]
  /** Evenings a week, for what is done at home. */
  perWeek?: number
}
export type Answers = Partial<Record<FindingId, Answer>>

export function openQuestions(answers: Answers): FindingId[] {
  return FINDING_ORDER.filter((id) => answers[id] === undefined)
}
export function unsureQuestions(answers: Answers): FindingId[] {
  return FINDING_ORDER.filter((id) => answers[id]?.say === 'unsure')
}
