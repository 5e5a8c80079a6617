import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { FILMS } from '../catalogue/products/products'
import { PRODUCT_KINDS } from '../catalogue/kinds'
import { areaOf, GROUPS } from '../face/regions'
import { REGION_IDS } from '../face/zones'
import { product } from '../testing/fixtures'
import type { ProductKind } from '../catalogue/kinds'
import { amountFor, dropsToMillilitres, fingertipUnits, toMeasures, roundingWords } from './amount'
import { freeAcidPercent } from './freeAcid'

describe('measures of the hand', () => {
  it.each([
    ['pump', 0.25],
    ['spray', 1],
    ['riceGrain', 1],
    ['drop', 1],
    ['piece', 1],
    ['spatula', 0.25],
    ['pour', 0.25],
    ['scoop', 0.25],
  ] as const)('the least of a %s is %d', (kind, least) => {
    const dispenser = { kind, millilitres: 2 }
    expect(toMeasures(0.01, dispenser, false)).toEqual({ count: least, ml: least * 2 })
    expect(toMeasures(20, dispenser, false)).toEqual({ count: 10, ml: 20 })
    expect(toMeasures(20.1, dispenser, true).ml).toBeGreaterThanOrEqual(20.1)
  })
  it('a coarse measure never gives twice and more of what is wanted: a part of it is taken', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('pump', 'spatula', 'pour', 'scoop'),
        fc.double({ min: 0.1, max: 5, noNaN: true }),
        fc.double({ min: 0.25, max: 3, noNaN: true }),
        (kind, millilitres, share) => {
          const { ml } = toMeasures(share * millilitres, { kind, millilitres }, false)
          expect(ml / (share * millilitres)).toBeLessThan(1.51)
          expect(ml / (share * millilitres)).toBeGreaterThan(0.66)
        },
      ),
    )
    // Massage oil of a starter bottle: a third of a millilitre by a pump of one.
    expect(toMeasures(0.3, { kind: 'pump', millilitres: 1 }, false)).toEqual({
      count: 0.25,
      ml: 0.25,
    })
  })
})

describe('rounding to the hand', () => {
  it('is said from five per cent on, where more or less does something', () => {
    const of = (kind: ProductKind, millilitres: number) =>
      amountFor(product(kind, kind, { dispenser: { kind: 'pump', millilitres }, density: 1 }), [
        'nose',
      ])
    fc.assert(
      fc.property(fc.double({ min: 0.05, max: 2, noNaN: true }), (pump) => {
        const acid = of('acidMask', pump)
        // Six milligrams a square centimetre, by hand.
        const exact = (areaOf(['nose']) * 6) / 1000
        const percent = Math.round((acid.millilitres / exact) * 100) - 100
        expect(roundingWords(acid)).toBe(
          Math.abs(percent) < 5
            ? ''
            : `${Math.abs(percent)} % ${percent > 0 ? 'more' : 'less'} than reckoned`,
        )
        expect(roundingWords(of('moisturiser', pump))).toBe('')
      }),
    )
  })
})

describe('amounts', () => {
  it("is area times film, in the bottle's own measure", () => {
    const amount = amountFor(
      product('hydratingMask', 'm', {
        density: 1.1,
        dispenser: { kind: 'spatula', millilitres: 2.5 },
      }),
      GROUPS.faceNeck,
    )
    const exact = (areaOf(GROUPS.faceNeck) * 10) / 1000 / 1.1
    expect(Math.abs(amount.millilitres - exact)).toBeLessThanOrEqual(0.625 + 1e-9)
    expect(amount.words).toMatch(/spatula tips$/)
    expect(amount.grams).toBeCloseTo(amount.millilitres * 1.1, 9)
  })
  it('never rounds sun protection below its film', () => {
    fc.assert(
      fc.property(
        fc.subarray([...REGION_IDS], { minLength: 1 }),
        fc.double({ min: 0.1, max: 1.5, noNaN: true }),
        fc.double({ min: 0.8, max: 1.4, noNaN: true }),
        (regions, pump, density) => {
          const amount = amountFor(
            product('sunProtection', 's', {
              density,
              dispenser: { kind: 'pump', millilitres: pump },
            }),
            regions,
          )
          expect(amount.grams).toBeGreaterThanOrEqual((areaOf(regions) * 2) / 1000 - 1e-6)
          expect(amount.roundingPercent).toBeGreaterThanOrEqual(0)
        },
      ),
    )
  })
  it('gives at least one measure and a whole number of the smallest part', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 60, noNaN: true }),
        fc.constantFrom('pump', 'drop', 'scoop', 'spatula', 'pour', 'spray'),
        fc.double({ min: 0.03, max: 3, noNaN: true }),
        (ml, kind, each) => {
          const { count } = toMeasures(ml, { kind, millilitres: each } as never, false)
          expect(count).toBeGreaterThan(0)
          expect(Number.isInteger(count * 4)).toBe(true)
        },
      ),
    )
  })
  it('costs the share of the bottle', () => {
    const bottle = product('milk', 'm', {
      dispenser: { kind: 'pump', millilitres: 1 },
      packMillilitres: 100,
      priceCents: 2000,
    })
    const amount = amountFor(bottle, GROUPS.face)
    expect(amount.costCents).toBe(Math.round(amount.millilitres * 20))
  })
  it('keeps each house film inside its own range', () => {
    for (const productKind of PRODUCT_KINDS) {
      const filmRule = FILMS[productKind]
      expect(filmRule.milligrams).toBeGreaterThanOrEqual(filmRule.range[0])
      expect(filmRule.milligrams).toBeLessThanOrEqual(filmRule.range[1])
    }
  })
  it('reads quarters and halves', () => {
    expect(
      amountFor(
        product('milk', 'm', { dispenser: { kind: 'scoop', millilitres: 6 } }),
        GROUPS.tZone,
      ).words,
    ).toMatch(/¼|½|¾|1/)
    expect(fingertipUnits(1.5)).toBe(3)
    expect(dropsToMillilitres(20)).toBeCloseTo(1, 9)
  })
})

describe('free acid', () => {
  it('falls as pH rises and never passes the total', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 30, noNaN: true }),
        fc.double({ min: 2, max: 6, noNaN: true }),
        (total, pH) => {
          const free = freeAcidPercent('glycolic', total, pH)
          expect(free).toBeLessThanOrEqual(total)
          expect(freeAcidPercent('glycolic', total, pH + 0.5)).toBeLessThanOrEqual(free)
        },
      ),
    )
  })
  it('refuses what cannot be', () => {
    expect(() => freeAcidPercent('lactic', 101, 3)).toThrow(RangeError)
    expect(() => freeAcidPercent('lactic', 10, 15)).toThrow(RangeError)
    expect(() => freeAcidPercent('lactic', Number.NaN, 4)).toThrow(RangeError)
  })
})
