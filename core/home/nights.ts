import { ROUNDING, WEEK_DAYS } from '../units'

/** What one wish asks of the nights: how often, how far apart, and what keeps it off. */
export interface NightWish {
  /** Evenings wanted in any seven. */
  perWeek: number
  /** The same by night, where it is begun slowly. */
  perWeekOn?: readonly number[]
  /** What one evening pours into the basin, hundredths. */
  hundredths: number
  /** Nights from one to the next at least: one is every night. */
  gap: number
  /** Takes something off: kept so many nights from every other that does. */
  takesOff: boolean
  /** Nights on which it is off. */
  off: readonly boolean[]
}
/** The wishes in the order of what they matter, and the nights there are. */
export interface NightQuestion {
  nights: number
  wishes: readonly NightWish[]
  /** What the basin still holds of tolerance each night beside what is used at home, hundredths. */
  room: readonly number[]
  /** What is left of a pouring the evening after, 0 to 1. */
  keeps: number
  /** Nights between two that take something off, at least. */
  apart: number
}

interface Label {
  /** Nights in, with the chosen wish of each of the last ones: the newest is the last digit. */
  past: number
  value: number
  load: number
  before: Label | undefined
  chose: number
}
/** Looked back over: as far as the same evening a week ago. */
const BACK = WEEK_DAYS
/** A wish's count weighs more than all of the ones after it can, and than every unevenness. */
const RANK = 64
const UNEVEN = 65_536
/** More than any evening can lie out of step. */
const SAME_WEEKDAY = WEEK_DAYS * WEEK_DAYS

/**
 * Nights for all wishes: what pours into the basin is settled first and together, then the rest on
 * the nights that are left, each of the two as well as it can be (`bestNights`).
 * @returns by night the place of its wish, or null
 */
export function assignNights(question: NightQuestion): (number | null)[] {
  const { nights, wishes, apart } = question
  const places = wishes.map((_, place) => place)
  const pours = places.filter((place) => (wishes[place]?.hundredths ?? 0) > 0)
  const others = places.filter((place) => !pours.includes(place))
  const of = (some: readonly number[]) => some.flatMap((place) => wishes[place] ?? [])
  const first = bestNights({ ...question, wishes: of(pours) }).map(
    (own) => (own === null ? null : (pours[own] ?? null)), // back to its place among all
  )
  const near = (night: number) =>
    first.some((own, at) => Math.abs(at - night) < apart && own !== null && wishes[own]?.takesOff)
  const left = of(others).map((wish) => ({
    ...wish,
    off: Array.from(
      { length: nights },
      (_, night) =>
        wish.off[night] === true || first[night] !== null || (wish.takesOff && near(night)),
    ),
  }))
  const second = bestNights({ ...question, wishes: left })
  return first.map((own, night) => own ?? others[second[night] ?? -1] ?? null)
}

/**
 * The best nights for some wishes together, proved: what comes first has as many evenings as it can,
 * then the next as many as are left, and so on; of all such the one whose evenings lie most evenly.
 * One thing a night. Written as a search over the nights that keeps, for each way the last six went,
 * every pair of worth and load that no other beats in both.
 * @returns by night the place of its wish, or null
 */
export function bestNights(question: NightQuestion): (number | null)[] {
  const { nights, wishes } = question
  const base = wishes.length + 1
  const window = base ** BACK
  let labels: Label[] = [{ past: 0, value: 0, load: 0, before: undefined, chose: -1 }]
  for (let night = 0; night < nights; night++) {
    const next = new Map<number, Label[]>()
    for (const label of labels) {
      const load = keptOvernight(label.load, question.keeps)
      const rest = (label.past * base) % window
      offer(next, { past: rest, value: label.value, load, before: label, chose: -1 })
      wishes.forEach((wish, place) => {
        const poured = load + wish.hundredths
        if (!mayTonight(question, wish, place, night, label.past, poured)) return
        const value =
          label.value +
          RANK ** (wishes.length - 1 - place) * UNEVEN +
          evenness(wish, place, label.past, base)
        offer(next, { past: rest + place + 1, value, load: poured, before: label, chose: place })
      })
    }
    labels = [...next.values()].flat()
  }
  const best = labels.reduce((one, other) => (other.value > one.value ? other : one))
  return chosen(best)
}

/** What is left in the basin the evening after: whole hundredths, rounded up, as the ledger does. */
export const keptOvernight = (hundredths: number, keeps: number): number =>
  Math.ceil(hundredths * keeps - ROUNDING)

/** Nights that two different things are kept apart: only what takes something off is. */
const apartOf = (one: NightWish, other: NightWish | undefined, apart: number): number =>
  one.takesOff && other?.takesOff === true ? apart : 0

/** Whether a wish may have tonight, after what the last nights held. */
export function mayTonight(
  { wishes, room, apart }: Pick<NightQuestion, 'wishes' | 'room' | 'apart'>,
  wish: NightWish,
  place: number,
  night: number,
  past: number,
  poured: number,
): boolean {
  const over = wish.hundredths > 0 && poured > (room[night] ?? 0)
  if (over || wish.off[night] === true) return false
  const base = wishes.length + 1
  let had = 0
  for (let back = 1, left = past; back <= BACK; back++) {
    const was = (left % base) - 1
    left = Math.floor(left / base)
    if (was < 0) continue
    if (was === place && back < WEEK_DAYS) had++
    const least = Math.max(was === place ? wish.gap : 0, apartOf(wish, wishes[was], apart))
    if (back < least) return false
  }
  return had < (wish.perWeekOn?.[night] ?? wish.perWeek)
}

/**
 * What speaks for tonight among nights that count alike: the same weekday as a week ago, because that
 * is remembered; then how near the last evening of the same lies to where an even week has it.
 */
function evenness(wish: NightWish, place: number, past: number, base: number): number {
  let even = 0
  for (let back = 1, left = past; back <= BACK; back++) {
    const same = (left % base) - 1 === place
    if (same && even === 0) even = -Math.abs(back * wish.perWeek - WEEK_DAYS)
    if (same && back === WEEK_DAYS) even += SAME_WEEKDAY
    left = Math.floor(left / base)
  }
  return even
}

/** Kept unless another of the same past is worth as much with no more in the basin. */
function offer(next: Map<number, Label[]>, label: Label): void {
  const same = next.get(label.past)
  if (!same) {
    next.set(label.past, [label])
    return
  }
  for (const own of same) if (own.value >= label.value && own.load <= label.load) return
  const left = same.filter((own) => own.value > label.value || own.load < label.load)
  left.push(label)
  next.set(label.past, left)
}

function chosen(best: Label): (number | null)[] {
  const out: (number | null)[] = []
  for (let label: Label | undefined = best; label?.before; label = label.before)
    out.push(label.chose < 0 ? null : label.chose)
  return out.reverse()
}
