import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { addDays, weekdayOf } from '../screening/asking/days'
import { TODAY } from '../testing/fixtures'
import { nearPlaces } from './next'

const HOUR = 3_600_000
const DAY = 24 * HOUR
const START = Date.parse(`${TODAY}T00:00:00Z`)
const place = (days: number, hour: number) => ({
  day: addDays(TODAY, days),
  startsAt: START + days * DAY + hour * HOUR,
})
const minuteOf = (at: number) => ((at - START) % DAY) / 60_000

describe('places for the next visit', () => {
  it('are nearest to the weekday and hour the client comes at', () => {
    const usual = { weekday: weekdayOf(addDays(TODAY, 3)), minute: 15 * 60 }
    const offered = nearPlaces(
      [place(1, 15), place(3, 9), place(3, 14), place(4, 15)],
      TODAY,
      usual,
      minuteOf,
    )
    expect(offered[0]).toEqual(place(3, 14))
    expect(offered.map(({ day }) => day)).toEqual([3, 1, 4].map((days) => addDays(TODAY, days)))
  })
  it('never lie before the rests are over, and are one a day', () => {
    const some = fc.array(
      fc.record({ days: fc.nat(9), hour: fc.nat(23) }).map(({ days, hour }) => place(days, hour)),
    )
    fc.assert(
      fc.property(some, fc.nat(9), (places, wait) => {
        const earliest = addDays(TODAY, wait)
        const offered = nearPlaces(places, earliest, { weekday: 1, minute: 600 }, minuteOf)
        expect(offered.length).toBeLessThanOrEqual(3)
        expect(offered.every(({ day }) => day >= earliest)).toBe(true)
        expect(new Set(offered.map(({ day }) => day)).size).toBe(offered.length)
      }),
    )
  })
  it('know the days of a week', () => {
    expect(['2026-11-30', '2026-12-06', '2023-12-31', '2028-02-29'].map(weekdayOf)).toEqual([
      1, 7, 7, 2,
    ])
  })
})
