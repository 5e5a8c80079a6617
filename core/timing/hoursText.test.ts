import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { hoursText, readHoursText } from './hoursText'
import { merged } from './places'

describe('hours as they stand on a door', () => {
  it('are read as people write them, a break between', () => {
    expect(readHoursText('9–13, 14:30-18')).toEqual([
      { from: 540, to: 780 },
      { from: 870, to: 1080 },
    ])
    expect(readHoursText(' 14.30 – 18 ; 9-13 ')).toEqual(readHoursText('9–13, 14:30–18'))
    expect(readHoursText('')).toEqual([])
    expect(readHoursText('0-24')).toEqual([{ from: 0, to: 1440 }])
  })
  it('are refused rather than guessed at', () => {
    for (const text of [
      '9',
      'nine–ten',
      '13–9',
      '9–25',
      '9:75–10',
      '9–10–11',
      '9–12, 11–13',
      '9–9',
    ])
      expect(readHoursText(text), text).toBeUndefined()
  })
  it('come back the same from their own words', () => {
    const minute = fc.integer({ min: 0, max: 1439 })
    fc.assert(
      fc.property(fc.array(fc.tuple(minute, minute), { maxLength: 4 }), (pairs) => {
        const stretches = merged(
          pairs.flatMap(([one, other]) =>
            one === other ? [] : [{ from: Math.min(one, other), to: Math.max(one, other) }],
          ),
        )
        expect(readHoursText(hoursText(stretches))).toEqual(stretches)
      }),
    )
  })
})
