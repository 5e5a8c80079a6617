import { millilitres, type Millilitres } from '../units'

/** How many measures are weighed together: one alone is lost in the scale's own error. */
export const WEIGHED_TOGETHER = 10

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
  return Number.isFinite(each) && each > 0 ? millilitres(Math.round(each * 1000) / 1000) : undefined
}
