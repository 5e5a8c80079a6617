import { DateTime } from 'luxon'

/** Which of the first two numbers of "3/2/1988" is the day. */
export type DayOrder = 'day first' | 'month first'
const NUMBERS = /^(\d{1,2})[./-](\d{1,2})[./-](\d{4}|\d{2})$/
const ISO = /^(\d{4})[-/.]?(\d{1,2})[-/.]?(\d{1,2})(?!\d)/
/** Months by name are written in these ways, in the languages that column names are known in. */
const LOCALES = ['en', 'de', 'fr', 'es', 'sv', 'fi']
const NAMED = [
  'd MMM yyyy',
  'd MMMM yyyy',
  'd. MMMM yyyy',
  'd-MMM-yy',
  'MMM d, yyyy',
  'MMMM d, yyyy',
]
/** Months of a year: no number above is one. */
const MONTHS = 12
const CENTURY = 100
/** For years of two digits that are of this century, as of what is to come. */
export const CENTURY_END = 2099

const day = (year: number, month: number, date: number): string | undefined => {
  const read = DateTime.utc(year, month, date)
  return read.isValid ? (read.toISODate() ?? undefined) : undefined
}
/** A birthday's year of two digits is the latest that has been. */
function fullYear(digits: string, thisYear: number): number {
  const year = Number(digits)
  if (digits.length > 2) return year
  const latest = thisYear - (thisYear % CENTURY) + year
  return latest > thisYear ? latest - CENTURY : latest
}

/**
 * What a column of days shows of its order: a number over twelve is a day.
 * @returns undefined where every day could be read both ways
 */
export function orderIn(texts: readonly string[]): DayOrder | undefined {
  const pairs = texts.flatMap((text): [number, number][] => {
    const [, first, second] = NUMBERS.exec(text.trim()) ?? []
    return first === undefined ? [] : [[Number(first), Number(second)]]
  })
  if (pairs.length === 0 || texts.some((text) => /^\d{1,2}\.\d{1,2}\./.test(text.trim())))
    return 'day first'
  if (pairs.some(([first]) => first > MONTHS)) return 'day first'
  if (pairs.some(([, second]) => second > MONTHS)) return 'month first'
  return undefined
}

/** A day in three numbers; where the order is open, only a day that both ways are the same. */
function inNumbers(said: string, order: DayOrder | undefined, thisYear: number) {
  const [whole, first = '', second = '', last = ''] = NUMBERS.exec(said) ?? []
  if (!whole) return undefined
  const named = said.includes('.') ? 'day first' : (order ?? orderIn([said]))
  if (!named && first !== second) return undefined
  const [on, of] = named === 'month first' ? [second, first] : [first, second]
  return day(fullYear(last, thisYear), Number(of), Number(on))
}
/** A day with its month by name. */
function byName(said: string): string | undefined {
  for (const locale of LOCALES)
    for (const format of NAMED) {
      const read = DateTime.fromFormat(said, format, { locale, zone: 'utc' })
      if (read.isValid) return read.toISODate() ?? undefined
    }
  return undefined
}

/**
 * A birthday as people write it, as an ISO day.
 * @param order of the numbers where the day itself does not show it
 * @param thisYear for years of two digits
 * @returns undefined where it is no day, or may be two
 */
export function readDay(
  text: string,
  order?: DayOrder,
  thisYear = DateTime.utc().year,
): string | undefined {
  const said = text.trim()
  const [iso, year, month, date] = ISO.exec(said) ?? []
  if (iso) return day(Number(year), Number(month), Number(date))
  return inNumbers(said, order, thisYear) ?? byName(said)
}
