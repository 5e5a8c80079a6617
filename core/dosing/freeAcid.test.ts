import { describe, expect, it } from 'vitest'
import { PRODUCT_KINDS } from '../catalogue/kinds'
import { ACIDS, planInput, product } from '../testing/fixtures'
import { usableProducts } from '../planning/today/bottles'
import { acidUnknown, freeAcidOf, freeAcidPercent, strongestLawful } from './freeAcid'

describe('an acid whose strength is not on file', () => {
  it('counts as the strongest its kind may lawfully be, never as none', () => {
    for (const kind of ['acidMask', 'resurfacingMask', 'peelSolution'] as const) {
      const silent = product(kind)
      expect(acidUnknown(silent)).toBe(true)
      expect(freeAcidOf(silent)).toBe(strongestLawful(kind))
      expect(freeAcidOf(silent)).toBeGreaterThanOrEqual(
        freeAcidOf(product(kind, kind, ACIDS[kind])),
      )
    }
    // 30 % at pH 3.0 is more than 10 % at pH 3.5: a peel that says nothing is the stronger unknown.
    expect(strongestLawful('peelSolution')).toBeGreaterThan(strongestLawful('acidMask'))
  })
  it('is taken last, after every bottle that says what it is', () => {
    const shelf = ['silent', 'told'].map((id) => ({
      product: product('acidMask', id, id === 'told' ? ACIDS.acidMask : {}),
      lots: planInput().shelf[0]?.lots ?? [],
    }))
    const order = usableProducts('acidMask', planInput({ shelf }), [])
    expect(order.map((choice) => choice.product.id)).toEqual(['told', 'silent'])
  })
  it('is not made up for what is no acid', () => {
    for (const kind of PRODUCT_KINDS)
      if (!/acid|peel|resurfacing/i.test(kind)) expect(freeAcidOf(product(kind))).toBe(0)
  })
})

describe('the ends of the scale', () => {
  it('nothing of an acid is free of it, all of it at most; outside is refused', () => {
    for (const pH of [0, 14]) {
      expect(freeAcidPercent('glycolic', 0, pH)).toBe(0)
      expect(freeAcidPercent('glycolic', 100, pH)).toBeGreaterThan(0)
      expect(freeAcidPercent('glycolic', 100, pH)).toBeLessThanOrEqual(100)
    }
    for (const [percent, pH] of [
      [-0.1, 4],
      [100.1, 4],
      [10, -0.1],
      [10, 14.1],
      [Number.NaN, 4],
      [10, Number.NaN],
    ] as const)
      expect(() => freeAcidPercent('glycolic', percent, pH), `${percent} ${pH}`).toThrow(RangeError)
  })
})
