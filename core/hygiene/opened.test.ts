import fc from 'fast-check'
import { DateTime } from 'luxon'
import { describe, expect, it } from 'vitest'
import { OPENED_KINDS, OPENED_ROWS } from '../catalogue/rules/opened'
import { HOUR_MS } from '../units'
import { goodUntil, openedState, usedFirst } from './opened'

const ZONE = 'Europe/Vienna'
const at = (iso: string) => DateTime.fromISO(iso, { zone: ZONE }).toMillis()

describe('how long what is opened is good', () => {
  it.each([
    ['2026-11-28T09:00', '2026-11-29T12:00'],
    ['2026-11-28T23:50', '2026-11-29T12:00'],
    ['2026-12-31T16:20', '2027-01-01T12:00'],
    // Over the change to summer time the morning comes an hour earlier by the clock on the wall.
    ['2027-03-27T16:00', '2027-03-28T12:00'],
  ])('half an ampoule opened at %s: until %s of the house', (opened, until) => {
    expect(goodUntil('half', at(opened), ZONE)).toBe(at(until))
    expect(openedState(at(until) - 1, at(opened))).not.toBe('over')
    expect(openedState(at(until), at(until))).toBe('over')
  })
  it('the rest by hours: those of its row, or of its own label', () => {
    const opened = at('2026-11-28T09:00')
    for (const kind of OPENED_KINDS.filter((own) => own !== 'half')) {
      const { life } = OPENED_ROWS[kind]
      const hours = 'hours' in life ? life.hours : 0
      expect(goodUntil(kind, opened, ZONE)).toBe(opened + hours * HOUR_MS)
      expect(goodUntil(kind, opened, ZONE, 7)).toBe(opened + 7 * HOUR_MS)
    }
  })
  it('what ends first is used first, and nothing that is over before what is good', () => {
    const things = fc.array(
      fc.integer({ min: -100, max: 100 }).map((hours) => ({ until: hours * HOUR_MS })),
    )
    fc.assert(
      fc.property(things, (list) => {
        const order = usedFirst(list, 0)
        expect([...order].sort((one, other) => one.until - other.until)).toEqual(
          [...list].sort((one, other) => one.until - other.until),
        )
        const good = order.filter(({ until }) => until > 0)
        expect(order.slice(0, good.length)).toEqual(good)
        expect(good.map(({ until }) => until)).toEqual(
          good.map(({ until }) => until).sort((one, other) => one - other),
        )
      }),
    )
  })
  it('soon over three hours before', () => {
    expect(openedState(3 * HOUR_MS, 0)).toBe('soon')
    expect(openedState(3 * HOUR_MS + 1, 0)).toBe('good')
  })
})
