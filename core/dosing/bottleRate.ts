import { strayFamilies } from '../catalogue/products/families'
import type { Product } from '../catalogue/products/products'
import { BOTTLE_LOADS } from '../catalogue/rules/bottleLoads'
import { freeAcidOf } from './freeAcid'

/** What a bottle pours beside its technique, hundredths by root of the minutes. */
export function bottleRateOf(product: Pick<Product, 'acid' | 'pH' | 'kind' | 'inci'>): number {
  const held = strayFamilies(product)
  return (
    (held.includes('acid') ? BOTTLE_LOADS.acid * freeAcidOf(product) : 0) +
    (held.includes('enzyme') ? BOTTLE_LOADS.enzyme : 0) +
    (held.includes('retinoid') ? BOTTLE_LOADS.retinoid : 0)
  )
}
