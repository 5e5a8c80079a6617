import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { scanned } from './scannedCode'

const FNC1 = '\u001d'
const lot = fc.stringMatching(/^[A-Z0-9-]{1,20}$/)
const day = fc
  .date({ min: new Date('2025-01-01'), max: new Date('2049-12-31'), noInvalidDate: true })
  .map((date) => date.toISOString().slice(0, 10))
const yymmdd = (iso: string) => iso.replaceAll('-', '').slice(2)

describe('what a scanner reads off a bottle', () => {
  it('gives lot and day back from a GS1 code, whichever comes first, printed or scanned', () => {
    fc.assert(
      fc.property(lot, day, (code, expires) => {
        const gtin = '09506000134352'
        const date = yymmdd(expires)
        for (const text of [
          `01${gtin}17${date}10${code}`,
          `${FNC1}01${gtin}10${code}${FNC1}17${date}`,
          `(01)${gtin}(17)${date}(10)${code}`,
          `(10)${code}(17)${date}`,
        ])
          expect(scanned(text), text).toEqual({ code, expires })
      }),
    )
  })
  it('takes day 00 for the last of its month, in a leap year too', () => {
    expect(scanned('1728020010A1').expires).toBe('2028-02-29')
    expect(scanned('1727020010A1').expires).toBe('2027-02-28')
  })
  it('leaves every other code as it is printed', () => {
    for (const text of ['A-1042', '10', '10ABC', '17271331', '1727133110A', '(17)', '0123'])
      expect(scanned(`  ${text} `), text).toEqual({ code: text })
    fc.assert(
      fc.property(fc.stringMatching(/^[A-Z][A-Z0-9 /-]{0,30}$/), (text) => {
        expect(scanned(text)).toEqual({ code: text.trim() })
      }),
    )
  })
})
