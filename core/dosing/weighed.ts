import { WEIGHED_TOGETHER } from '../catalogue/rules/dosing'
import { fromThousandths, millilitres, toThousandths, type Millilitres } from '../units'

/**
 * What one measure of a dispenser gives, from the weight of several.
 * @param grams of all of them together
 * @param density grams a millilitre
 * @returns millilitres to a thousandth; undefined where no measure can be made of it
 */
export function measureFromWeight(
  grams: number,
  density: number,
  count = WEIGHED_TOGETHER,
): Millilitres | undefined {
  const each = grams / density / count
  return Number.isFinite(each) && each > 0
    ? millilitres(fromThousandths(toThousandths(each)))
    : undefined
}
