import { PLACE_STEP } from '../catalogue/rules/visit'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { freeRoom, openOn, placesFor, shutBecause, WHOLE_DAY, type Stretch } from './places'

const DAY_MINUTES = 24 * 60
const stretch = fc
  .tuple(fc.integer({ min: 0, max: DAY_MINUTES - 1 }), fc.integer({ min: 5, max: 240 }))
  .map(([from, length]): Stretch => ({ from, to: Math.min(DAY_MINUTES, from + length) }))
const some = fc.array(stretch, { maxLength: 5 })
const covers = (stretches: readonly Stretch[], minute: number) =>
  stretches.some(({ from, to }) => from <= minute && minute < to)

describe('free places', () => {
  it('are all and only the quarter hours at which every minute is free, asked minute by minute', () => {
    const asked = fc.record({
      minutes: fc.integer({ min: 15, max: 180 }),
      house: some,
      person: some,
      inRoom: some,
      ofPerson: some,
      cleaningMinutes: fc.integer({ min: 0, max: 30 }),
      notBefore: fc.integer({ min: 0, max: DAY_MINUTES }),
    })
    fc.assert(
      fc.property(asked, ({ minutes, ...day }) => {
        const open = (minute: number) => covers(day.house, minute) && covers(day.person, minute)
        const fits = (start: number): boolean => {
          if (start < day.notBefore) return false
          for (let minute = start; minute < start + minutes; minute++)
            if (!open(minute) || covers(day.ofPerson, minute)) return false
          const { cleaningMinutes: cleaning } = day
          return day.inRoom.every(
            ({ from, to }) => start >= to + cleaning || start + minutes + cleaning <= from,
          )
        }
        const wanted: number[] = []
        for (let start = 0; start < DAY_MINUTES; start += PLACE_STEP)
          if (fits(start)) wanted.push(start)
        const house = openOn(
          { openings: day.house.map((own) => ({ ...own, weekday: 1 })), absences: [] },
          '2026-11-30',
          1,
        )
        const found = placesFor(minutes, {
          ...day,
          room: freeRoom(house, day.inRoom, day.cleaningMinutes),
          person: openOn(
            { openings: day.person.map((own) => ({ ...own, weekday: 1 })), absences: [] },
            '2026-11-30',
            1,
          ),
        })
        // Nothing told means always open; the walk above takes an empty list as never.
        if (day.house.length > 0 && day.person.length > 0)
          expect([...new Set(found)].sort((one, other) => one - other)).toEqual(wanted)
      }),
    )
  })
})

describe('hours', () => {
  const openings = [
    { weekday: 1, from: 540, to: 780 },
    { weekday: 1, from: 840, to: 1080 },
  ]
  const absences = [{ firstDay: '2026-12-24', lastDay: '2026-12-26', word: 'the feast' }]
  it('are open without any told, shut on other weekdays and on days away', () => {
    expect(openOn({ openings: [], absences: [] }, '2026-11-30', 1)).toEqual([WHOLE_DAY])
    expect(openOn({ openings, absences }, '2026-11-30', 1)).toHaveLength(2)
    expect(openOn({ openings, absences }, '2026-12-01', 2)).toEqual([])
    expect(openOn({ openings: [], absences }, '2026-12-26', 6)).toEqual([])
    expect(shutBecause({ absences }, '2026-12-24')).toBe('the feast')
    expect(shutBecause({ absences }, '2026-12-27')).toBeUndefined()
  })
  it('keep the break: an hour does not lie across it', () => {
    const day = { person: [WHOLE_DAY], ofPerson: [] }
    const house = openOn({ openings, absences }, '2026-11-30', 1)
    const starts = placesFor(60, { ...day, room: freeRoom(house, [], 10) })
    expect(starts).toContain(720)
    expect(starts).not.toContain(735)
    expect(starts).toContain(840)
    expect(starts.at(-1)).toBe(1020)
  })
})
