import type { Product } from '../catalogue/products/products'

/** Dissociation constants: CRC Handbook of Chemistry and Physics (values from memory). */
export const PKA = { glycolic: 3.83, lactic: 3.86, mandelic: 3.41, salicylic: 2.97 } as const
export type AcidName = keyof typeof PKA

/**
 * Per cent of free (undissociated) acid in a product: total × 1 / (1 + 10^(pH − pKa)),
 * Henderson–Hasselbalch.
 * @throws RangeError outside 0–100 % or pH 0–14.
 */
export function freeAcidPercent(acid: AcidName, totalPercent: number, pH: number): number {
  if (!(totalPercent >= 0 && totalPercent <= 100))
    throw new RangeError('total acid must be 0–100 %')
  if (!(pH >= 0 && pH <= 14)) throw new RangeError('pH must be 0–14')
  return totalPercent / (1 + 10 ** (pH - PKA[acid]))
}

/**
 * Free acid of a bottle, per cent; a product without an acid has none. Without a pH all of it
 * counts: the cautious side.
 */
export function freeAcidOf(product: Pick<Product, 'acid' | 'pH'>): number {
  const { acid, pH } = product
  return acid ? (pH === undefined ? acid.percent : freeAcidPercent(acid.name, acid.percent, pH)) : 0
}
