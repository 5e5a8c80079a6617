import { STOCK } from '../catalogue/rules/stock'
import { addDays, daysBetween } from '../screening/asking/days'
import { ALL_PERCENT, ROUNDING } from '../units'

/** A bottle that can be used: what is left in it, millilitres, and its last day. */
export interface StandingBottle {
  code: string
  expires: string
  left: number
}
export interface StockAsked {
  /** ISO day of the house. */
  today: string
  bottles: readonly StandingBottle[]
  /** Millilitres that a visit of this house takes of it on the mean, and a day. */
  perVisit: number
  perDay: number
  /** Millilitres that one use takes; 0 where it was never used. */
  perUse: number
  /** Days of the visits that are booked from today on, one for each visit. */
  booked: readonly string[]
  pack: number
  /** Below this it is to be ordered; none: never by itself. */
  reorder: number | null
}
export interface StockForecast {
  usesLeft: number | null
  /** The day on which it is empty; none within a year. */
  runsOut: string | null
  /** What will soon be past its date before it is used up. */
  unused: { code: string; day: string; millilitres: number }[]
  /** Whole packs to order. */
  packs: number
}

/** How long what stands there lasts, what of it will not be used in time, and what to order. */
export function forecast(asked: StockAsked): StockForecast {
  const { bottles, perUse, pack, reorder, today } = asked
  const left = leftIn(bottles)
  const until = addDays(today, STOCK.coverDays)
  const over = unusedOf(asked)
  // What ends before the order has to last is not there for it.
  const lost = over.filter(({ day }) => day < until)
  const usable = left - lost.reduce((sum, { millilitres }) => sum + millilitres, 0)
  const wanted = Math.max(wantedBy(asked, until), reorder ?? 0)
  return {
    usesLeft: perUse > 0 ? Math.floor(left / perUse + ROUNDING) : null,
    runsOut: emptyOn(asked, left),
    unused: over.filter(({ day }) => day <= addDays(today, STOCK.lostDays)),
    packs: Math.max(0, Math.ceil((wanted - usable) / pack - ROUNDING)),
  }
}

const leftIn = (bottles: readonly StandingBottle[]): number =>
  bottles.reduce((sum, { left }) => sum + left, 0)

/** Millilitres wanted until the end of a day: by the bookings, at least as used of late. */
function wantedBy({ today, booked, perVisit, perDay }: StockAsked, day: string): number {
  const visits = booked.filter((own) => own <= day).length
  return Math.max(visits * perVisit, daysBetween(today, day) * perDay)
}

/** The first day by which more is wanted than is there; none for what nobody takes. */
function emptyOn(asked: StockAsked, left: number): string | null {
  const { today, perVisit, perDay } = asked
  if (perVisit <= 0 && perDay <= 0) return null
  if (left <= 0) return today
  const isEmpty = (days: number) => wantedBy(asked, addDays(today, days)) >= left - ROUNDING
  if (!isEmpty(STOCK.horizonDays)) return null
  let [least, most] = [0, STOCK.horizonDays as number]
  while (least < most) {
    const middle = Math.floor((least + most) / 2)
    if (isEmpty(middle)) most = middle
    else least = middle + 1
  }
  return addDays(today, least)
}

/** What ends first is used first; what is not wanted by its last day is left over. */
function unusedOf(asked: StockAsked): StockForecast['unused'] {
  const inOrder = [...asked.bottles].sort((one, other) => (one.expires < other.expires ? -1 : 1))
  let used = 0
  return inOrder.flatMap(({ code, expires, left }) => {
    const wanted = Math.max(0, wantedBy(asked, expires) - used)
    const taken = Math.min(left, wanted)
    used += taken
    const over = left - taken
    return over > ROUNDING ? [{ code, day: expires, millilitres: over }] : []
  })
}

/** How much less would have done, per cent, where that is worth saying; none where it was all taken. */
export function lessWouldDo({
  plannedMl,
  takenMl,
}: {
  plannedMl: number
  takenMl: number
}): number | null {
  if (plannedMl <= 0) return null
  const less = Math.round((1 - takenMl / plannedMl) * ALL_PERCENT)
  return less >= STOCK.lessFrom ? less : null
}
