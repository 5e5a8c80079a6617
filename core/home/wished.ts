import type { Camp } from '../catalogue/schools/camps'
import { HOME_POURINGS, HOME_REGIONS } from '../catalogue/consultation/home'
import { NIGHTS, TAKES_OFF_APART, type NightId } from '../catalogue/home/nightRows'
import { pouredByStrength } from '../load/home'
import { halfLifeHours, remainingAt, type Poured } from '../load/ledger'
import { toleranceOf } from '../load/tolerance'
import type { Bar, Verdict } from '../screening/verdict/verdict'
import type { Profile } from '../skin/profile'
import { addDays } from '../screening/asking/days'
import { ALL_PERCENT, DAY_HOURS, WEEK_DAYS } from '../units'
import { isNew, type HomeWish } from './asked'
import {
  barsOn,
  eveningOf,
  firstNights,
  nightsUntil,
  offEvenings,
  type EveningsSource,
  type Off,
} from './evenings'
import { assignNights, type NightQuestion, type NightWish } from './nights'

/** What the evenings are reckoned from beside what keeps them free. */
export interface NightsSource extends EveningsSource {
  /** How often this practice lets something be taken off at home. */
  rhythm: Camp
  wishes: readonly HomeWish[]
  profile: Profile
  /** What is in the basins by the end of the visit, its own work among it. */
  poured: readonly Poured[]
}
/** A wish that got fewer evenings than it asked for, or none, and why. */
export interface Short {
  id: NightId
  wanted: number
  got: number
  why: string[]
}
export interface NightsGiven {
  /** By night what it is for; null is the care of every evening. */
  nights: (NightId | null)[]
  short: Short[]
}

const POURS = Object.fromEntries(HOME_POURINGS.map((row) => [row.finding, row.hundredths]))
/** What one evening pours in, hundredths. */
export const pouredBy = ({ id, strength }: Pick<HomeWish, 'id' | 'strength'>): number => {
  const { finding } = NIGHTS[id]
  const usual = finding === undefined ? 0 : (POURS[finding] ?? 0)
  return pouredByStrength(usual, strength)
}

/** What the consultation or the skin says against it altogether. */
export function barOf(id: NightId, verdict: Verdict): Bar | undefined {
  const [prevented] = verdict.prevented
  if (prevented) return prevented
  const told = verdict.substances.find(
    ({ family }) => family !== undefined && NIGHTS[id].holds.includes(family),
  )
  return (
    barsOn(id, verdict).find(({ until }) => until === undefined) ??
    verdict.bars.find(({ rule }) => rule === told?.rule)
  )
}

/** What this practice keeps to the room: work that pours in, not a mask of clay. */
const notHere = (id: NightId, { homeNone, sentence }: Camp): string | undefined =>
  homeNone && NIGHTS[id].takesOff && NIGHTS[id].finding
    ? `in this practice: ${sentence}`
    : undefined

/** What is free of each basin by evening, the least of the face, hundredths. */
function roomBy({ today, timeZone, profile, verdict, poured }: NightsSource, nights: number) {
  const half = halfLife(profile)
  return Array.from({ length: nights }, (_, night) => {
    const left = remainingAt(poured, eveningOf(addDays(today, night), timeZone), half)
    return Math.min(
      ...HOME_REGIONS.map(
        (region) =>
          toleranceOf(profile, region, verdict.limit.tolerancePercent).hundredths - left[region],
      ),
    )
  })
}
const halfLife = (profile: Profile): number =>
  halfLifeHours(profile.age, profile.conditions.includes('dehydrated'))

/** A wish as the search reads it. @param off why it is off, by night */
function asWish(
  wish: HomeWish,
  off: readonly (Off | undefined)[],
  first: number,
  { asked, rhythm }: Pick<NightsSource, 'asked' | 'rhythm'>,
): NightWish {
  const row = NIGHTS[wish.id]
  const { begins } = row
  const gap = wish.strength === 'mild' ? (row.mildGap ?? row.gap) : row.gap
  const perWeekOn =
    begins && isNew(asked, wish.id)
      ? off.map((_, night) =>
          Math.min(
            wish.perWeek,
            begins.perWeek + Math.max(0, Math.floor((night - first) / begins.addAfter)),
          ),
        )
      : undefined
  return {
    perWeek: Math.min(wish.perWeek, row.mostAWeek),
    ...(perWeekOn ? { perWeekOn } : {}),
    hundredths: pouredBy(wish),
    gap: Math.max(
      gap,
      Math.floor(WEEK_DAYS / wish.perWeek),
      row.takesOff ? (rhythm.homeApart ?? 0) : 0,
    ),
    takesOff: row.takesOff,
    off: off.map((own, night) => own !== undefined || night < first),
  }
}

/**
 * The evenings until the next visit: each wish as often as it may, what matters most first, and what
 * did not fit with its reasons.
 */
export function giveNights(source: NightsSource): NightsGiven {
  const barred = source.wishes.flatMap((wish) => {
    const why = barOf(wish.id, source.verdict)?.sentence ?? notHere(wish.id, source.rhythm)
    return why === undefined ? [] : [{ id: wish.id, why }]
  })
  const wishes = source.wishes.filter(({ id }) => !barred.some((own) => own.id === id))
  const off = wishes.map(({ id }) => offEvenings(id, source))
  const nights = nightsUntil(source)
  const first = firstNights(wishes, off, source.asked)
  const question: NightQuestion = {
    nights,
    wishes: wishes.map((wish, place) => asWish(wish, off[place] ?? [], first[place] ?? 0, source)),
    room: roomBy(source, nights),
    keeps: keepsOf(source.profile),
    apart: source.rhythm.homeApart ?? TAKES_OFF_APART,
  }
  const given = assignNights(question)
  const short = wishes.flatMap((wish, place) => {
    const got = given.filter((own) => own === place).length
    const wanted = Math.floor((wish.perWeek * nights) / WEEK_DAYS)
    if (got >= wanted) return []
    const why = reasons(question, place, { got, off: off[place] ?? [], first: first[place] ?? 0 })
    return [{ id: wish.id, wanted, got, why }]
  })
  return {
    nights: given.map((own) => (own === null ? null : (wishes[own]?.id ?? null))),
    short: [...barred.map(({ id, why }) => ({ id, wanted: 0, got: 0, why: [why] })), ...short],
  }
}
/** What is left of a pouring after a day. */
const keepsOf = (profile: Profile): number => (1 / 2) ** (DAY_HOURS / halfLife(profile))

/** What may stand between a wish and its evenings: a kind of evening that is off, or a rule of its own. */
type Cause = Off['because'] | 'begins' | 'tolerance' | 'gap'

/**
 * Why a wish has fewer evenings than it asked for: each thing without which it would have had more,
 * found by taking it away; where no single one does it, those that do it together.
 */
function reasons(
  question: NightQuestion,
  place: number,
  { got, off, first }: { got: number; off: readonly (Off | undefined)[]; first: number },
): string[] {
  const wish = question.wishes[place]
  if (!wish) return []
  const without = (gone: ReadonlySet<Cause>): number =>
    countOf(relaxed(question, wish, { off, first }, gone))
  const own = without(new Set())
  if (own > got)
    return ['other evenings come first: one thing a night, and no more than it tolerates']
  const causes: Cause[] = [
    ...new Set(off.flatMap((one) => one?.because ?? [])),
    ...(first > 0 ? (['new'] as const) : []),
    ...(wish.perWeekOn ? (['begins'] as const) : []),
    'tolerance',
    'gap',
  ]
  const alone = causes.filter((cause) => without(new Set([cause])) > own)
  const found = alone.length > 0 ? alone : together(causes, (gone) => without(gone) > own)
  return found.map((cause) => causeWords(cause, wish, off))
}

/** The wish alone, with some of what stands in its way taken away. */
function relaxed(
  question: NightQuestion,
  { perWeekOn, ...wish }: NightWish,
  { off, first }: { off: readonly (Off | undefined)[]; first: number },
  gone: ReadonlySet<Cause>,
): NightQuestion {
  const slow = perWeekOn && !gone.has('begins') ? { perWeekOn } : {}
  const open: NightWish = {
    ...wish,
    ...slow,
    gap: gone.has('gap') ? 1 : wish.gap,
    off: off.map(
      (one, night) =>
        (one !== undefined && !gone.has(one.because)) || (night < first && !gone.has('new')),
    ),
  }
  const room = gone.has('tolerance') ? question.room.map(() => WIDE) : question.room
  return { ...question, wishes: [open], room }
}

/** Causes that only together stand in the way: each of them that is needed for it. */
function together(causes: readonly Cause[], helps: (gone: ReadonlySet<Cause>) => boolean): Cause[] {
  const needed = new Set(causes)
  for (const cause of causes) {
    const fewer = new Set(needed)
    fewer.delete(cause)
    if (helps(fewer)) needed.delete(cause)
  }
  return [...needed]
}

function causeWords(cause: Cause, { gap }: NightWish, off: readonly (Off | undefined)[]): string {
  if (cause === 'new') return 'one new thing at a time, a week apart'
  if (cause === 'begins')
    return 'begun with two evenings a week, one more every two weeks while the skin stays calm'
  if (cause === 'tolerance') return 'more than this skin tolerates'
  return cause === 'gap' ? `at least ${gap - 1} free between two` : lastOf(off, cause)
}
const WIDE = ALL_PERCENT * ALL_PERCENT
const countOf = (question: NightQuestion): number =>
  assignNights(question).filter((own) => own !== null).length
/** The longest of the reasons of one kind: the one that keeps it off last. */
const lastOf = (off: readonly (Off | undefined)[], because: Off['because']): string =>
  off.findLast((one) => one?.because === because)?.why ?? ''
