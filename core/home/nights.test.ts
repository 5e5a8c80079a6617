import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { assignNights, bestNights, type NightQuestion, type NightWish } from './nights'

/**
 * The rules of the handbook's kind of sentence, read off a whole list of nights: written apart from
 * the search, which sees a week at a time.
 */
function trouble(question: NightQuestion, nights: readonly (number | null)[]): string | undefined {
  let load = 0
  for (let night = 0; night < nights.length; night++) {
    load = Math.ceil(load * question.keeps - 1e-9)
    const place = nights[night]
    if (place === null || place === undefined) continue
    const wish = question.wishes[place]
    if (!wish) return 'a night for nothing'
    load += wish.hundredths
    if (wish.off[night]) return 'on a night that is off'
    if (wish.hundredths > 0 && load > (question.room[night] ?? 0)) return 'over the edge'
    const own = nights.flatMap((other, at) => (other === place && at <= night ? [at] : []))
    const inWeek = own.filter((at) => at > night - 7).length
    if (inWeek > (wish.perWeekOn?.[night] ?? wish.perWeek)) return 'too often'
    const before = own.at(-2)
    if (before !== undefined && night - before < wish.gap) return 'too close'
    if (!wish.takesOff) continue
    for (let at = Math.max(0, night - question.apart + 1); at < night; at++) {
      const other = nights[at]
      if (other !== null && other !== undefined && question.wishes[other]?.takesOff) return 'twice'
    }
  }
  return undefined
}
const counts = (question: NightQuestion, nights: readonly (number | null)[]) =>
  question.wishes.map((_, place) => nights.filter((own) => own === place).length)
/** Above zero where the first list of counts is better than the second. */
const better = (one: readonly number[], other: readonly number[]): number => {
  for (let at = 0; at < one.length; at++)
    if (one[at] !== other[at]) return (one[at] ?? 0) - (other[at] ?? 0)
  return 0
}
/** Every list of nights there is, tried one after another. */
function bestOfAll(question: NightQuestion): number[] {
  const choices = question.wishes.length + 1
  let best = question.wishes.map(() => 0)
  for (let number = 0; number < choices ** question.nights; number++) {
    const nights: (number | null)[] = []
    for (let night = 0, left = number; night < question.nights; night++) {
      const chose = left % choices
      nights.push(chose === 0 ? null : chose - 1)
      left = Math.floor(left / choices)
    }
    const own = counts(question, nights)
    if (better(own, best) > 0 && trouble(question, nights) === undefined) best = own
  }
  return best
}

const wishOf = (nights: number) =>
  fc.record({
    perWeek: fc.integer({ min: 1, max: 4 }),
    hundredths: fc.constantFrom(0, 40, 60, 90),
    gap: fc.integer({ min: 1, max: 3 }),
    takesOff: fc.boolean(),
    off: fc.array(fc.boolean(), { minLength: nights, maxLength: nights }),
  })
const questionOf = (mostNights: number, mostWishes: number) =>
  fc.integer({ min: 1, max: mostNights }).chain((nights) =>
    fc.record({
      nights: fc.constant(nights),
      wishes: fc.array(wishOf(nights), { minLength: 1, maxLength: mostWishes }),
      room: fc.array(fc.integer({ min: 0, max: 200 }), { minLength: nights, maxLength: nights }),
      keeps: fc.constantFrom(0.3, 0.5, 0.8),
      apart: fc.constantFrom(1, 2, 3, 7),
    }),
  )

describe('nights at home', () => {
  it('are as many as trying everything finds, on three hundred small questions', () => {
    fc.assert(
      fc.property(questionOf(8, 2), (question) => {
        const nights = bestNights(question)
        expect(trouble(question, nights)).toBeUndefined()
        expect(counts(question, nights)).toEqual(bestOfAll(question))
      }),
      { numRuns: 300 },
    )
  })
  it('give what pours in its best, and the rest what is left', () => {
    fc.assert(
      fc.property(questionOf(7, 3), (question) => {
        const nights = assignNights(question)
        expect(trouble(question, nights)).toBeUndefined()
        const pours = question.wishes.map(({ hundredths }) => hundredths > 0)
        const alone = { ...question, wishes: question.wishes.filter((_, place) => pours[place]) }
        const own = counts(question, nights).filter((_, place) => pours[place])
        expect(own).toEqual(bestOfAll(alone))
      }),
      { numRuns: 100 },
    )
  })
  it('keep every rule over six weeks with four wishes', () => {
    fc.assert(
      fc.property(questionOf(42, 4), (question) => {
        expect(trouble(question, assignNights(question))).toBeUndefined()
      }),
      { numRuns: 30 },
    )
  })
  it('fall on the same weekdays where nothing stands in the way', () => {
    const wish = (perWeek: number, gap: number): NightWish => ({
      perWeek,
      gap,
      hundredths: 40,
      takesOff: false,
      off: [],
    })
    const free = (wishes: NightWish[]): NightQuestion => ({
      nights: 28,
      wishes,
      room: Array.from({ length: 28 }, () => 400),
      keeps: 0.5,
      apart: 2,
    })
    for (const perWeek of [1, 2, 3]) {
      const nights = assignNights(free([wish(perWeek, 2)]))
      expect(nights.filter((own) => own === 0)).toHaveLength(perWeek * 4)
      expect(nights.slice(7)).toEqual(nights.slice(0, -7))
    }
  })
  it('begins slowly where it is new', () => {
    const nights = 28
    const perWeekOn = Array.from({ length: nights }, (_, night) => (night < 14 ? 2 : 3))
    const own = assignNights({
      nights,
      wishes: [{ perWeek: 3, perWeekOn, gap: 2, hundredths: 40, takesOff: false, off: [] }],
      room: Array.from({ length: nights }, () => 400),
      keeps: 0.5,
      apart: 2,
    })
    expect(own.slice(0, 14).filter((one) => one === 0)).toHaveLength(4)
    expect(own.slice(14).filter((one) => one === 0).length).toBeGreaterThanOrEqual(5)
  })
})
