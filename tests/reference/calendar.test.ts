import ICAL from 'ical.js'
import { DateTime } from 'luxon'
import { describe, expect, it } from 'vitest'
import { calendarFile } from '#contracts/calendarFile'

const house = { name: 'Æther & Søn, Basin; Ltd', address: 'Quay Lane 4, 0150 Oslo', phone: '1' }
const read = (at: Date, minutes = 75) => {
  const text = calendarFile({ id: 'a1', at, minutes }, house) ?? ''
  const event = new ICAL.Component(ICAL.parse(text)).getFirstSubcomponent('vevent')
  return { text, event: new ICAL.Event(event ?? undefined) }
}
/** Nights on which clocks go forward and back, by zone, and a year's end. */
const MOMENTS: readonly (readonly [zone: string, ...walls: string[]])[] = [
  ['Europe/Oslo', '2027-03-28T01:30', '2027-03-28T03:30', '2027-10-31T01:30', '2027-10-31T10:00'],
  ['America/New_York', '2027-03-14T09:00', '2027-11-07T01:30', '2027-11-07T09:00'],
  ['Australia/Lord_Howe', '2027-04-04T09:00', '2027-10-03T09:00'],
  ['Pacific/Auckland', '2027-12-31T23:30', '2028-01-01T00:15', '2028-02-29T09:00'],
]

describe('an appointment for a calendar (RFC 5545), by an independent parser', () => {
  it.each(MOMENTS)(
    'in %s is at the moment that was booked, whatever the clocks do',
    (zone, ...walls) => {
      for (const wall of walls) {
        const at = DateTime.fromISO(wall, { zone })
        const { event } = read(at.toJSDate())
        expect(event.startDate.toJSDate().getTime(), wall).toBe(at.toMillis())
        const there = DateTime.fromJSDate(event.startDate.toJSDate(), { zone })
        expect(there.toFormat("yyyy-MM-dd'T'HH:mm"), wall).toBe(wall)
        expect(event.endDate.toJSDate().getTime() - at.toMillis()).toBe(75 * 60_000)
      }
    },
  )
  it('tells the two half past twos of one night apart', () => {
    const first = DateTime.fromISO('2027-10-31T02:30:00+02:00')
    const second = first.plus({ hours: 1 })
    const starts = [first, second].map((at) => read(at.toJSDate()).event.startDate.toJSDate())
    expect(starts.map((at) => at.getTime())).toEqual([first.toMillis(), second.toMillis()])
  })
  it('keeps letters, commas and semicolons, and folds its lines', () => {
    const { text, event } = read(new Date('2027-06-01T08:00:00Z'))
    expect(event.summary).toBe(`Appointment, ${house.name}`)
    expect(event.location).toBe(house.address)
    expect(text.split('\r\n').every((line) => Buffer.byteLength(line) <= 75)).toBe(true)
  })
})
