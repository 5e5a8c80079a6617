import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { addDays, daysBetween } from '../screening/asking/days'
import { forecast, lessWouldDo, type StockAsked } from './forecast'

const TODAY = '2026-11-29'
const day = (most: number) => fc.integer({ min: 0, max: most }).map((days) => addDays(TODAY, days))
const asked: fc.Arbitrary<StockAsked> = fc.record({
  today: fc.constant(TODAY),
  bottles: fc.array(
    fc.record({
      code: fc.constantFrom('A1', 'B2', 'C3'),
      expires: day(500),
      left: fc.integer({ min: 0, max: 400 }),
    }),
    { maxLength: 4 },
  ),
  perVisit: fc.integer({ min: 0, max: 20 }),
  perDay: fc.integer({ min: 0, max: 30 }),
  perUse: fc.integer({ min: 0, max: 20 }),
  booked: fc.array(day(60), { maxLength: 40 }),
  pack: fc.integer({ min: 5, max: 500 }),
  reorder: fc.option(fc.integer({ min: 1, max: 300 })),
})
const all = (own: StockAsked) => own.bottles.reduce((sum, { left }) => sum + left, 0)
const overIn = (own: StockAsked) =>
  forecast(own).unused.reduce((sum, { millilitres }) => sum + millilitres, 0)

describe('how long the shelf lasts', () => {
  it('what is over is never more than stands there, and each bottle no more than it holds', () => {
    fc.assert(
      fc.property(asked, (own) => {
        expect(overIn(own)).toBeLessThanOrEqual(all(own) + 1e-6)
        for (const { millilitres } of forecast(own).unused) expect(millilitres).toBeGreaterThan(0)
      }),
    )
  })
  it('after the order there is enough for six weeks and above where it is ordered anew', () => {
    fc.assert(
      fc.property(asked, (own) => {
        const { packs } = forecast(own)
        const until = addDays(TODAY, 42)
        const visits = own.booked.filter((booked) => booked <= until).length
        const wanted = Math.max(visits * own.perVisit, 42 * own.perDay, own.reorder ?? 0)
        // What ends within the six weeks and is not used by then is lost.
        const lost = forecast(own).unused.filter((over) => over.day < until)
        const usable = all(own) - lost.reduce((sum, { millilitres }) => sum + millilitres, 0)
        expect(usable + packs * own.pack).toBeGreaterThanOrEqual(wanted - 1e-6)
        // And no pack too many.
        if (packs > 0) expect(usable + (packs - 1) * own.pack).toBeLessThan(wanted)
      }),
    )
  })
  it('one more visit never makes it last longer, another bottle never shorter', () => {
    fc.assert(
      fc.property(asked, day(60), fc.integer({ min: 1, max: 300 }), (own, more, left) => {
        const last = (of: StockAsked) => forecast(of).runsOut ?? '9999-12-31'
        expect(last({ ...own, booked: [...own.booked, more] }) <= last(own)).toBe(true)
        const bottle = { code: 'D4', expires: addDays(TODAY, 600), left }
        expect(last({ ...own, bottles: [...own.bottles, bottle] }) >= last(own)).toBe(true)
      }),
    )
  })
  it('a worked shelf: two visits a week of 8 mL, 40 mL left, good for three weeks', () => {
    const booked = [2, 5, 9, 12, 16, 19, 23, 26].map((days) => addDays(TODAY, days))
    const own = {
      ...{ today: TODAY, perVisit: 8, perDay: 0, perUse: 8, booked, pack: 200, reorder: null },
      bottles: [{ code: 'A1', expires: addDays(TODAY, 21), left: 40 }],
    }
    // The fifth visit takes the last of it.
    expect(forecast(own)).toEqual({
      usesLeft: 5,
      runsOut: addDays(TODAY, 16),
      unused: [],
      packs: 1,
    })
    // With 60 mL six visits of three weeks take 48: 12 are over.
    const more = { ...own, bottles: [{ code: 'A1', expires: addDays(TODAY, 21), left: 60 }] }
    expect(forecast(more).unused).toEqual([
      { code: 'A1', day: addDays(TODAY, 21), millilitres: 12 },
    ])
  })
  it('what nobody takes lasts, and is over in the end; an empty shelf is empty today', () => {
    const none = { today: TODAY, perVisit: 0, perDay: 0, perUse: 0, booked: [], pack: 50 }
    const bottles = [{ code: 'A1', expires: addDays(TODAY, 30), left: 50 }]
    expect(forecast({ ...none, bottles, reorder: null })).toEqual({
      usesLeft: null,
      runsOut: null,
      unused: [{ code: 'A1', day: addDays(TODAY, 30), millilitres: 50 }],
      packs: 0,
    })
    expect(forecast({ ...none, bottles: [], reorder: 10 })).toMatchObject({
      runsOut: null,
      packs: 1,
    })
    expect(forecast({ ...none, perVisit: 2, bottles: [], reorder: null }).runsOut).toBe(TODAY)
    expect(daysBetween(TODAY, addDays(TODAY, 30))).toBe(30)
  })
  it('says how much less would have done, from a tenth on', () => {
    expect(lessWouldDo({ plannedMl: 100, takenMl: 75 })).toBe(25)
    expect(lessWouldDo({ plannedMl: 100, takenMl: 95 })).toBeNull()
    expect(lessWouldDo({ plannedMl: 0, takenMl: 5 })).toBeNull()
  })
})
