import {
  HOME_STEPS,
  type HomeStep,
  type HomeStepId,
  type LayerBase,
  type TimeOfDay,
} from '../catalogue/home/homeSteps'
import { HOME_NOTES, SEASON_NOTES } from '../catalogue/home/homeWords'
import { ACTIVE_OFF, NIGHTS, PHASE_DAYS, type NightId } from '../catalogue/home/nightRows'
import { PLAIN_CARE_ONLY, type AftercarePart } from '../catalogue/rules/aftercare'
import { methodOf } from '../catalogue/schools/schools'
import type { Product } from '../catalogue/products/products'
import { ingredientsIn } from '../catalogue/products/ingredients'
import { leavesActive } from '../catalogue/products/families'
import type { PlanInput } from '../planning/input'
import { rankedBottles } from '../planning/today/bottles'
import { addDays, dayInWords, daysBetween } from '../screening/asking/days'
import type { Profile } from '../skin/profile'
import { isNew, type HomeWishes } from './asked'
import { blandEvening, cardLineOn, eveningOf, type EveningsSource } from './evenings'
import { baseOfLabel, layered, waitBetween } from '../surface/layering'
import { giveNights, type NightsSource, type Short } from './wished'

/** One line of the card for the mirror. */
export interface HomeLine {
  id: HomeStepId | NightId
  name: string
  /** The product by name, where one is named. */
  product: string | null
  amount: string
  how: string
  why: string
  /** Minutes until the next layer, and why. */
  wait: { minutes: number; sentence: string } | null
  /** ISO day from which it is taken, where the visit keeps it off until then. */
  from: string | null
}
export interface HomeNight {
  day: string
  id: NightId | null
  /** Why only water and cream are given, where that is so. */
  bland: string | null
}
export interface HomeRoutine {
  from: string
  until: string
  morning: HomeLine[]
  evening: HomeLine[]
  /** The whole evening of each thing that a night is for. */
  byNight: Partial<Record<NightId, HomeLine[]>>
  nights: HomeNight[]
  short: Short[]
  /** What was left out of mornings and evenings, each with why. */
  left: { name: string; why: string }[]
  notes: string[]
}
export interface HomeQuestion extends Omit<EveningsSource, 'today' | 'verdict'> {
  wishes: HomeWishes
  /** The visit as planning asks it: skin, verdict, shelf, today. */
  input: PlanInput
  poured: NightsSource['poured']
}

/**
 * The routine until the next visit: mornings, evenings in layering order, and what each night is for.
 * Pure: the same question gives the same routine in the page and on the server.
 */
export function routineFor(question: HomeQuestion): HomeRoutine {
  const { wishes, input, until } = question
  const { today } = input
  const source: NightsSource = {
    ...question,
    today,
    wishes: wishes.nights,
    profile: input.profile,
    verdict: input.verdict,
    rhythm: methodOf(input.school, input.policy).camps.homeRhythm,
  }
  const given = giveNights(source)
  const { kept: morning, left: outMorning } = stepsOf('morning', question)
  const { kept: evening, left: outEvening } = stepsOf('evening', question)
  const used = [...new Set(given.nights.flatMap((id) => id ?? []))]
  return {
    from: today,
    until,
    morning: linesOf(morning, question).map((line) => rinsedFirst(line, question)),
    evening: linesOf(evening, question),
    byNight: Object.fromEntries(used.map((id) => [id, nightLines(id, evening, question)])),
    nights: given.nights.map((id, night) => nightOf(id, addDays(today, night), question)),
    short: given.short,
    left: onceEach([...outMorning, ...outEvening]),
    notes: notesOf(question),
  }
}

type Step = Pick<HomeStep, 'name' | 'weight' | 'base' | 'amount' | 'how' | 'why' | 'kinds'> &
  Pick<HomeLine, 'id'>
const fits = (
  { types, conditions }: { types: readonly string[]; conditions: readonly string[] },
  { type, conditions: own }: Profile,
): boolean => types.includes(type) || conditions.some((id) => own.some((one) => one === id))

/** The steps of a time of day that this skin gains by, as many as the client will do. */
function stepsOf(time: TimeOfDay, { asked, wishes, input }: HomeQuestion) {
  const left: { name: string; why: string }[] = []
  const wanted = Object.values(HOME_STEPS).filter((step) => {
    if (!step.times.includes(time)) return false
    if (step.id === 'vitaminC') return wishes.vitaminC
    if (step.id === 'firstCleanse') return asked.wearsCover
    if (step.notFor && fits(step.notFor, input.profile)) {
      left.push({ name: step.name, why: step.notFor.why })
      return false
    }
    return step.forSkin === undefined || fits(step.forSkin, input.profile)
  })
  const byRank = wanted.toSorted((one, other) => (one.rank[time] ?? 0) - (other.rank[time] ?? 0))
  const few = byRank.slice(asked.steps)
  const why = `${asked.steps} steps each time were asked for`
  left.push(...few.map(({ name }) => ({ name: `${name} in the ${time}`, why })))
  return { kept: layered(byRank.slice(0, asked.steps)), left }
}

/** One thing said once, though morning and evening both leave it out. */
const onceEach = (list: readonly { name: string; why: string }[]) =>
  list.filter((own, at) => list.findIndex(({ name }) => name === own.name) === at)

/** Steps as lines: with a product where one is named, and the pause that two layers need. */
function linesOf(steps: readonly Step[], question: HomeQuestion): HomeLine[] {
  const laid = steps.map((step) => {
    const product = productFor(step, question)
    const base: LayerBase = product ? baseOfLabel(product.inci, step.base) : step.base
    return { step, product, base }
  })
  return laid.map(({ step, product, base }, place) => {
    const next = laid[place + 1]
    return {
      id: step.id,
      name: step.name,
      product: product?.name ?? null,
      amount: step.amount,
      how: step.how,
      why: step.why,
      wait: next && base !== 'washedOff' ? (waitBetween(base, next.base) ?? null) : null,
      from: startsOn(step.id, question),
    }
  })
}

/** An evening with something of its own: what goes on dry skin stands alone under the cream. */
function nightLines(id: NightId, evening: readonly Step[], question: HomeQuestion): HomeLine[] {
  const row = NIGHTS[id]
  const around = row.alone
    ? evening.filter(({ base, id: own }) => base === 'washedOff' || own === 'cream')
    : evening
  const cream = around.some((step) => step.id === 'cream') ? [] : [HOME_STEPS.cream]
  return linesOf(layered<Step>([...around, ...cream, row]), question)
}

/**
 * The product that is named for a step: the one that was chosen, else the best of the shelf that this
 * client may have. A serum with something strong in it is named for nothing else.
 */
function productFor(step: Step, { input, wishes }: HomeQuestion): Product | undefined {
  const chosen = wishes.named[step.id]
  if (chosen === null) return undefined
  const fit = step.kinds
    .flatMap((kind) => rankedBottles(kind, input))
    .filter(({ fits: own }) => own)
    .map(({ product }) => product)
    .filter((product) => servesAt(step.id, product))
  return fit.find(({ id }) => id === chosen) ?? fit[0]
}
/** Products that may be named for a step of this routine, the best first. */
export const namesFor = (
  id: HomeStepId | NightId,
  { input }: Pick<HomeQuestion, 'input'>,
): { id: string; name: string }[] =>
  (id in HOME_STEPS ? HOME_STEPS[id as HomeStepId] : NIGHTS[id as NightId]).kinds
    .flatMap((kind) => rankedBottles(kind, input))
    .filter(({ fits: own, product }) => own && servesAt(id, product))
    .map(({ product }) => ({ id: product.id, name: product.name }))
const servesAt = (id: HomeStepId | NightId, product: Product): boolean =>
  id === 'vitaminC' ? ingredientsIn(product.inci).includes('vitaminC') : !leavesActive(product)

/** From which day a step is taken, where the card keeps what it holds off until then. */
function startsOn(id: Step['id'], question: HomeQuestion): string | null {
  if (id in HOME_STEPS && HOME_STEPS[id as HomeStepId].plainCare) return null
  return firstDay(id === 'vitaminC' ? ACTIVE_OFF : PLAIN_CARE_ONLY, question)
}

/** While the card asks for plain care only, a morning begins with water: the cleanser waits. */
const rinsedFirst = (line: HomeLine, question: HomeQuestion): HomeLine =>
  line.id === 'cleanse' ? { ...line, from: firstDay(PLAIN_CARE_ONLY, question) } : line

/** The first morning on which no line of the card asks for one of these; null where that is tomorrow. */
function firstDay(
  offBy: readonly AftercarePart[],
  { card, timeZone, input, until }: HomeQuestion,
): string | null {
  const kept = (day: string) =>
    cardLineOn(card, eveningOf(addDays(day, -1), timeZone), offBy) !== undefined
  let day = addDays(input.today, 1)
  while (kept(day) && day < until) day = addDays(day, 1)
  return day > addDays(input.today, 1) ? day : null
}

function nightOf(id: NightId | null, day: string, question: HomeQuestion): HomeNight {
  const line = cardLineOn(question.card, eveningOf(day, question.timeZone), [
    ...NIGHTS.waterMask.offBy,
    'leaveOn',
  ])
  if (line) return { day, id: null, bland: line.sentence }
  if (id !== null) return { day, id, bland: null }
  const bland = blandEvening(day, question.asked)
  return { day, id, bland: bland === undefined || bland === 'shave' ? null : BLAND_WORDS[bland] }
}
const BLAND_WORDS = {
  away: 'away: cleanser and cream',
  sun: 'only water and cream tonight',
} as const

function notesOf({ asked, input, wishes }: HomeQuestion): string[] {
  const { profile, season, today } = input
  const fresh = wishes.nights.some(({ id }) => NIGHTS[id].finding && isNew(asked, id))
  return [
    ...(asked.wearsCover ? [HOME_NOTES.takeOff] : []),
    ...(profile.conditions.includes('dehydrated') ? [HOME_NOTES.twice] : []),
    ...(fresh ? [HOME_NOTES.calm] : []),
    ...(asked.outdoors ? [HOME_NOTES.outdoors] : []),
    ...(asked.away ? [HOME_NOTES.away] : []),
    ...(season && SEASON_NOTES[season] ? [SEASON_NOTES[season]] : []),
    ...(asked.phased ? [phaseWords(asked.phased, today)] : []),
  ]
}

/** A month on, a month off: which it is, and until when. @param today ISO day */
export function phaseWords(
  { name, since }: { name: string; since: string },
  today: string,
): string {
  const days = Math.max(0, daysBetween(since, today))
  const on = Math.floor(days / PHASE_DAYS) % 2 === 0
  const turns = addDays(today, PHASE_DAYS - (days % PHASE_DAYS))
  return `${name}: ${on ? 'on' : 'off'} until ${dayInWords(turns)}, then four weeks ${on ? 'off' : 'on'}.`
}
