import type { Product } from '../catalogue/products/products'
import { fromHundredths, millilitres, ROUNDING, toHundredths, type Millilitres } from '../units'
import { SAID_PARTS } from '../catalogue/rules/dosing'
import { describeMeasures, partOf } from './amount'
import { saidPart } from './saidPart'

/** One measure more or less, as the hand takes it from this bottle; never below none. */
export function byMeasures(
  product: Pick<Product, 'kind' | 'dispenser'>,
  ml: number,
  by: 1 | -1,
): Millilitres {
  const one = product.dispenser.millilitres * partOf(product)
  // From a part of a measure on to the whole one, and from there to none.
  if (ml > 0 && ml < one - ROUNDING) return millilitres(by > 0 ? one : 0)
  return millilitres(Math.max(0, Math.round(ml / one) + by) * one)
}

/** "3 pumps", "½ scoop": so many millilitres as measures of this bottle. */
export function measuresWords({ dispenser }: Pick<Product, 'dispenser'>, ml: number): string {
  return describeMeasures(
    Math.round((ml / dispenser.millilitres) * SAID_PARTS) / SAID_PARTS,
    dispenser.kind,
  )
}

/** In what a bottle is counted on the shelf, and how many millilitres one of it is. */
export const countedIn = ({
  dispenser,
}: Pick<Product, 'dispenser'>): { name: 'mL' | 'pieces'; millilitres: number } =>
  dispenser.kind === 'piece'
    ? { name: 'pieces', millilitres: dispenser.millilitres }
    : { name: 'mL', millilitres: 1 }

/** So many millilitres in what the bottle is counted in, to a hundredth. */
export const asCounted = (product: Pick<Product, 'dispenser'>, ml: number): number =>
  fromHundredths(toHundredths(ml / countedIn(product).millilitres))

/** "280 of 400 mL", "7 of 10 pieces": what a bottle still holds, as it is counted on the shelf. */
export function heldWords(
  { dispenser, packMillilitres }: Pick<Product, 'dispenser' | 'packMillilitres'>,
  ml: number,
): string {
  if (dispenser.kind !== 'piece') return `${Math.round(ml)} of ${packMillilitres} mL`
  const whole = asCounted({ dispenser }, packMillilitres)
  return `${saidPart(asCounted({ dispenser }, ml))} of ${describeMeasures(whole, 'piece')}`
}
