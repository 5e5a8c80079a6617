import { describe, expect, it } from 'vitest'
import { practicePut } from './house'

const takes = (zone: string) => practicePut.shape.timeZone.safeParse(zone).success

/** Names of the IANA time zone database, whose lists differ in which of two names they hold. */
describe('the time zone of a house', () => {
  it('is taken by its name in use and by its older one', () => {
    for (const zone of [
      'UTC',
      'Europe/Helsinki',
      'Asia/Kathmandu',
      'Asia/Katmandu',
      'Asia/Kolkata',
      'Asia/Calcutta',
      'America/Argentina/Buenos_Aires',
    ])
      expect(takes(zone), zone).toBe(true)
  })
  it('is no offset, no abbreviation and no place that there is none of', () => {
    for (const zone of ['', '+03:00', 'EST', 'CET', 'Middle/Earth', 'Europe/', '../etc'])
      expect(takes(zone), zone).toBe(false)
  })
})
