import * as fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { starterProducts } from '../catalogue/products/starter'
import { asCounted, byMeasures, countedIn, heldWords, measuresWords } from './byHand'

const product = fc.constantFrom(...starterProducts(() => 'own'))

describe('one measure more or less', () => {
  it('goes on from a part of a measure to the whole one, however small it is', () => {
    for (const one of [0.05, 1, 5]) {
      const own = {
        kind: 'facialOil' as const,
        dispenser: { kind: 'drop' as const, millilitres: one },
      }
      expect(byMeasures(own, one * 0.6, 1)).toBeCloseTo(one)
      expect(byMeasures(own, one * 0.6, -1)).toBe(0)
      expect(byMeasures(own, 0, 1)).toBeCloseTo(one)
      expect(byMeasures(own, one, 1)).toBeCloseTo(2 * one)
    }
  })
  it('more and then less is what it was, and nothing is never less than nothing', () => {
    fc.assert(
      fc.property(product, fc.integer({ min: 0, max: 12 }), (own, count) => {
        let ml = 0
        for (let i = 0; i < count; i++) ml = byMeasures(own, ml, 1)
        expect(byMeasures(own, byMeasures(own, ml, 1), -1)).toBeCloseTo(ml, 6)
        for (let i = 0; i < count + 2; i++) ml = byMeasures(own, ml, -1)
        expect(ml).toBe(0)
      }),
    )
  })
  it('from less than one measure it goes on to the whole, or to none', () => {
    const own = { kind: 'milk', dispenser: { kind: 'pump', millilitres: 2 } } as const
    const one = byMeasures(own, 0, 1)
    expect(byMeasures(own, one / 4, 1)).toBe(one)
    expect(byMeasures(own, one / 4, -1)).toBe(0)
    expect(measuresWords(own, 3)).toBe('1½ pumps')
  })
})

describe('what a bottle holds', () => {
  it('as it was counted it is again, whatever it is counted in', () => {
    fc.assert(
      fc.property(product, fc.integer({ min: 0, max: 200 }), (own, count) => {
        expect(asCounted(own, count * countedIn(own).millilitres)).toBe(count)
      }),
    )
  })
  it('is said in pieces where it comes in pieces, in millilitres elsewhere', () => {
    const vials = { dispenser: { kind: 'piece', millilitres: 2 }, packMillilitres: 20 } as const
    expect(heldWords(vials, 14)).toBe('7 of 10 pieces')
    expect(heldWords(vials, 13)).toBe('6½ of 10 pieces')
    expect(heldWords(vials, 0)).toBe('0 of 10 pieces')
    const bottle = { dispenser: { kind: 'pump', millilitres: 1 }, packMillilitres: 400 } as const
    expect(heldWords(bottle, 280.4)).toBe('280 of 400 mL')
  })
})
