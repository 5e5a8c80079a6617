import { describe, expect, it } from 'vitest'
import { PRODUCT_RULES } from '../../catalogue/products/productRules'
import { REST_INTERVALS } from '../../catalogue/rules/restIntervals'
import { addDays } from '../../screening/asking/days'
import { restBars } from '../../load/rest'
import { strengthBars } from '../../screening/products/strength'
import { product, TODAY } from '../../testing/fixtures'

describe('rows about bottles and rest', () => {
  for (const productRule of PRODUCT_RULES)
    it(`${productRule.id}: ${productRule.sentence}`, () => {
      const kind = productRule.kinds?.[0] ?? 'acidMask'
      const bad = productRule.nightOnly
        ? product('serum', 'x', { inci: ['Retinol'] })
        : product(kind, 'x', {
            acid: {
              name: productRule.acids?.[0] ?? 'lactic',
              percent: (productRule.percentMost ?? 0) + 1,
            },
            pH: 4,
          })
      expect(strengthBars(bad, true).map((strengthBar) => strengthBar.rule)).toContain(
        productRule.id,
      )
      expect(
        strengthBars(
          bad,
          true,
          PRODUCT_RULES.filter((other) => other.id !== productRule.id),
        ).map((strengthBar) => strengthBar.rule),
      ).not.toContain(productRule.id)
      expect(strengthBars(product('serum'), true)).toEqual([])
      if (productRule.nightOnly) expect(strengthBars(bad, false)).toEqual([])
      if (productRule.pHLeast !== undefined)
        expect(
          strengthBars(
            product(kind, 'y', {
              acid: { name: 'glycolic', percent: 5 },
              pH: productRule.pHLeast - 0.2,
            }),
            true,
          ).map((strengthBar) => strengthBar.rule),
        ).toContain(productRule.id)
    })
  for (const restInterval of REST_INTERVALS)
    it(`${restInterval.id}: ${restInterval.sentence}`, () => {
      const past = [
        { day: TODAY, families: [restInterval.after[0] as 'acid'], regions: ['forehead' as const] },
      ]
      const on = (day: string, rows = REST_INTERVALS) =>
        restBars(past, day, rows).map((restBar) => restBar.rule)
      expect(on(TODAY)).toContain(restInterval.id)
      // From the day of the work, not before it, up to the day it ends and no further.
      expect(on(addDays(TODAY, -1))).toEqual([])
      expect(on(addDays(TODAY, restInterval.days - 1))).toContain(restInterval.id)
      expect(on(addDays(TODAY, restInterval.days))).not.toContain(restInterval.id)
      expect(
        on(
          TODAY,
          REST_INTERVALS.filter((other) => other.id !== restInterval.id),
        ),
      ).not.toContain(restInterval.id)
      expect(on('2027-01-01')).toEqual([])
    })
})
