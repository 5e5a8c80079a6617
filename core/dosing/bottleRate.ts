import { strayFamilies } from '../catalogue/products/families'
import type { Product } from '../catalogue/products/products'
import { BOTTLE_LOADS } from '../catalogue/rules/bottleLoads'
import { freeAcidOf } from './freeAcid'

/** What a bottle pours beside its technique, hundredths by root of the minutes. */
export function bottleRateOf(
  product: Pick<Product, 'acid' | 'pH' | 'kind' | 'inci' | 'recipe' | 'density'>,
): number {
  return strayFamilies(product).reduce((sum, family) => {
    const load = BOTTLE_LOADS[family]
    if (!load) return sum
    return sum + load.hundredths * (load.by === 'freeAcid' ? freeAcidOf(product) : 1)
  }, 0)
}
