import { FIRST_BOTTLES } from '../../catalogue/rules/screening'
import { DAY_HOURS, HOUR_MS } from '../../units'
import { ingredientsNamed, type IngredientId } from '../../catalogue/products/ingredients'
import {
  CONTRAINDICATIONS,
  familiesTold,
  type Contraindication,
  type Lifter,
} from '../../catalogue/consultation/contraindications'
import { FINDINGS, type FindingId } from '../../catalogue/consultation/findings'
import type { FamilyId } from '../../catalogue/kinds'
import { NO_LIMIT, type Limit } from '../../catalogue/rules/limits'
import { regionsTold } from '../../face/regions'
import { REGION_IDS, type RegionId } from '../../face/zones'
import type { Confirmation } from '../consent/confirm'
import type { Answer, Answers } from '../asking/answers'
import { openQuestions, unsureQuestions } from '../asking/answers'
import { together } from './limits'
import { openSheetBars } from '../asking/openSheet'
import { addDays, daysBetween, isDay } from '../asking/days'

/**
 * Something that may not be done, where, until when and why. Whatever bars a technique is one of
 * these.
 */
export interface Bar {
  rule: string
  does: 'prevents' | 'restricts' | 'local' | 'later'
  families: readonly FamilyId[]
  regions: readonly RegionId[]
  sentence: string
  reason: string
  lifts: Lifter
  source: string
  until?: string
  /** The moment at which it lifts, milliseconds since 1970, where an hour was told. */
  untilAt?: number
  /** Does not hold for a technique that was had here before and taken well. */
  unlessTakenWell?: true
  /** An answer still to be asked, rather than a known finding. */
  ask?: 'unsure' | 'unanswered'
  finding?: FindingId
}

/** An ingredient or family of ingredients that a row stops in products. */
export interface Named {
  word: string
  rule: string
  family?: IngredientId
}

export interface Verdict {
  /** Today's visit cannot take place. */
  prevented: readonly Bar[]
  bars: readonly Bar[]
  limit: Required<Limit>
  limitRules: readonly { rule: string; limit: Limit; sentence: string }[]
  /** What has to be seen to before a step of some families. */
  confirms: readonly Confirmation[]
  /** What is seen to all through the visit: how the client lies, which word every label is read for. */
  throughout: readonly { rule: string; say: string }[]
  /** Allergen words and families that no product may hold. */
  substances: readonly Named[]
  open: readonly FindingId[]
  unsure: readonly FindingId[]
}

/** The rule of a word that no list knows: labels are read for it. */
export const UNKNOWN_WORD = 'unknown-word'
const readLabels = ({ word, rule }: Named) => ({
  rule,
  say: `Read every label for “${word}”: no list knows the word`,
})
const labelsRead = ({ word }: Named): Confirmation => ({
  rule: UNKNOWN_WORD,
  families: [],
  techniques: FIRST_BOTTLES,
  say: `Every label on the tray read for “${word}”`,
})

/**
 * What the answers stop today. Several findings combine to the strictest; an unsure or open
 * question stops what a yes would.
 * @param today ISO day of the house
 * @param at the moment of the visit, milliseconds since 1970; without it hours that were told count
 *   as not yet over
 */
export function screen(
  answers: Answers,
  today: string,
  rows: readonly Contraindication[] = CONTRAINDICATIONS,
  at?: number,
): Verdict {
  const prevented: Bar[] = []
  const bars: Bar[] = []
  const limitRules: { rule: string; limit: Limit; sentence: string }[] = []
  const substances: Named[] = []
  const confirms: Confirmation[] = []
  const throughout: { rule: string; say: string }[] = []
  let limit = NO_LIMIT
  for (const row of rows) {
    const answer = answers[row.finding]
    const bar = barToday(row, answer, today, at)
    if (!bar) continue
    if (row.visit) {
      prevented.push(bar)
      continue
    }
    bars.push(bar)
    if (row.limit) {
      limitRules.push({ rule: row.id, limit: row.limit, sentence: row.sentence })
      limit = together(limit, row.limit)
    }
    if (row.confirm !== undefined)
      confirms.push({ rule: row.id, families: row.families, say: row.confirm })
    if (row.position !== undefined) throughout.push({ rule: row.id, say: row.position })
    for (const substance of substancesOf(row, answer)) substances.push(...named(substance, row.id))
  }
  const unknown = substances.filter(({ family }) => family === undefined)
  const open = openQuestions(answers)
  const unsure = unsureQuestions(answers)
  return {
    prevented,
    bars: [...bars, ...openSheetBars(open, unsure)],
    limit,
    limitRules,
    confirms: [...confirms, ...unknown.map(labelsRead)],
    throughout: [...throughout, ...unknown.map(readLabels)],
    substances,
    open,
    unsure,
  }
}

/** What a row bars today; nothing where it was denied, or is over by its day or its hour. */
function barToday(
  row: Contraindication,
  answer: Answer | undefined,
  today: string,
  at: number | undefined,
): Bar | undefined {
  if (answer?.say === 'no' || !concerns(row, answer, today)) return undefined
  const until = liftedOn(row, answer)
  if (until !== undefined && daysBetween(today, until) <= 0) return undefined
  const untilAt = liftedAt(row, answer)
  if (untilAt !== undefined && at !== undefined && at >= untilAt) return undefined
  return toBar(row, answer, today, until, untilAt)
}

/** What no product may hold by a row: what it lists, or what was told. */
function substancesOf(row: Contraindication, answer: Answer | undefined): readonly string[] {
  if (row.substances !== 'answered') return row.substances ?? []
  return answer?.say === 'yes' ? (answer.substances ?? []) : []
}

/**
 * Whether a row speaks of what was answered: the work that was named, and a day that is near
 * enough. What is not named may be anything.
 */
function concerns(row: Contraindication, answer: Answer | undefined, today: string): boolean {
  if (
    row.work !== undefined &&
    answer?.say === 'yes' &&
    (answer.work ?? []).length > 0 &&
    !answer.work?.includes(row.work)
  )
    return false
  if (
    row.ahead === undefined ||
    answer?.say !== 'yes' ||
    answer.date === undefined ||
    !isDay(answer.date)
  )
    return true
  const left = daysBetween(today, answer.date)
  return left >= 0 && left <= row.ahead
}

/** Whether the event is far enough off for what was had before and taken well. */
function spares(row: Contraindication, answer: Answer | undefined, today: string): boolean {
  if (row.aheadTakenWell === undefined || answer?.say !== 'yes') return false
  if (answer.date === undefined || !isDay(answer.date)) return false
  return daysBetween(today, answer.date) > row.aheadTakenWell
}

/** The moment at which a row lifts by itself: hours are hours, over midnight and clock changes. */
const liftedAt = (row: Contraindication, answer: Answer | undefined): number | undefined =>
  row.hours === undefined || answer?.say !== 'yes' || answer.at === undefined
    ? undefined
    : answer.at + row.hours * HOUR_MS

function liftedOn(row: Contraindication, answer: Answer | undefined): string | undefined {
  if (answer?.say !== 'yes' || answer.date === undefined || !isDay(answer.date)) return undefined
  if (row.ahead !== undefined) return addDays(answer.date, 1)
  // By its day alone it may have been as late as midnight: the careful end.
  if (row.hours !== undefined)
    return answer.at === undefined
      ? addDays(answer.date, 1 + Math.ceil(row.hours / DAY_HOURS))
      : undefined
  return row.days === undefined ? undefined : addDays(answer.date, row.days)
}

function toBar(
  row: Contraindication,
  answer: Answer | undefined,
  today: string,
  until: string | undefined,
  untilAt: number | undefined,
): Bar {
  const ask = answer === undefined ? 'unanswered' : answer.say === 'unsure' ? 'unsure' : undefined
  return {
    rule: row.id,
    does: row.does,
    families: answer?.say === 'yes' ? familiesTold(row) : row.families,
    regions: regionsOf(row, answer),
    reason: row.reason,
    lifts: row.lifts,
    source: row.source,
    sentence: ask
      ? `${capital(FINDINGS[row.finding].short)}: ask before. ${row.sentence}`
      : row.sentence,
    finding: row.finding,
    ...(spares(row, answer, today) ? { unlessTakenWell: true as const } : {}),
    ...(until === undefined ? {} : { until }),
    ...(untilAt === undefined ? {} : { untilAt }),
    ...(ask === undefined ? {} : { ask }),
  }
}

/** Named zones fold into regions; no zone named means that it may be anywhere. */
function regionsOf(row: Contraindication, answer: Answer | undefined): readonly RegionId[] {
  if (row.where === 'whole') return REGION_IDS
  if (row.where !== 'answered') return row.where
  const zones = answer?.zones ?? []
  if (zones.length === 0) return REGION_IDS
  return regionsTold(zones)
}

/** One answer may name several: each part by every family that knows it, or as it stands. */
function named(said: string, rule: string): Named[] {
  const parts = said.toLowerCase().split(/[,;/&+]|\band\b|\bor\b/)
  return parts
    .map((part) => part.trim())
    .filter((part) => part.length > 0)
    .flatMap((word): Named[] => {
      const families = ingredientsNamed(word)
      return families.length > 0
        ? families.map((family) => ({ word, rule, family }))
        : [{ word, rule }]
    })
}

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1)
