import { PKA, type AcidName } from '../catalogue/rules/dosing'
import { ALL_PERCENT, MOST_PH, PH_BASE } from '../units'
import { ACID_KINDS, PRODUCT_RULES } from '../catalogue/products/productRules'
import type { ProductKind } from '../catalogue/kinds'
import type { Product } from '../catalogue/products/products'
import { dilution } from './dilution'

/**
 * Per cent of free (undissociated) acid in a product: total × 1 / (1 + 10^(pH − pKa)),
 * Henderson–Hasselbalch.
 * @throws RangeError outside 0–100 % or pH 0–14.
 */
export function freeAcidPercent(acid: AcidName, totalPercent: number, pH: number): number {
  if (!(totalPercent >= 0 && totalPercent <= ALL_PERCENT))
    throw new RangeError('total acid must be 0–100 %')
  if (!(pH >= 0 && pH <= MOST_PH)) throw new RangeError('pH must be 0–14')
  return totalPercent / (1 + PH_BASE ** (pH - PKA[acid]))
}

/**
 * The most free acid that a product of a kind may lawfully hold, per cent: what counts where a bottle
 * does not say.
 */
export function strongestLawful(kind: ProductKind): number {
  const limits = PRODUCT_RULES.flatMap(({ acids, percentMost, pHLeast, kinds, notKinds }) => {
    if (percentMost === undefined || !acids) return []
    if ((kinds && !kinds.includes(kind)) || notKinds?.includes(kind)) return []
    return acids.map((acid) =>
      pHLeast === undefined ? percentMost : freeAcidPercent(acid, percentMost, pHLeast),
    )
  })
  return Math.max(0, ...limits)
}

/** Whether a bottle is an acid of which the label's numbers are not on file. */
export const acidUnknown = ({ kind, acid }: Pick<Product, 'acid' | 'kind'>): boolean =>
  acid === undefined && ACID_KINDS.includes(kind)

/**
 * Free acid of what comes on the skin, per cent; a product without an acid has none. What it is mixed
 * with thins it; that its pH rises with that is not reckoned. Without a pH all of it counts, and an
 * acid that is not on file counts as the strongest its kind may be: the careful end.
 */
export function freeAcidOf(product: Sour): number {
  const { acid, pH, kind } = product
  if (!acid) return acidUnknown(product) ? strongestLawful(kind) : 0
  const percent = acid.percent * dilution(product)
  return pH === undefined ? percent : freeAcidPercent(acid.name, percent, pH)
}
type Sour = Pick<Product, 'acid' | 'pH' | 'kind' | 'recipe' | 'density'>
