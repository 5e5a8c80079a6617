import { ingredientsIn } from '../catalogue/products/ingredients'
import { PRODUCT_RULES, type ProductRule } from '../catalogue/products/productRules'
import type { Product } from '../catalogue/products/products'
import type { ProductBar } from './products'

/**
 * Why a bottle may not be used whoever the client is: too strong, too sour, or by the wrong light.
 * An acid whose pH is not known counts as too sour.
 */
export function strengthBars(
  product: Product,
  daylight: boolean,
  rules: readonly ProductRule[] = PRODUCT_RULES,
): ProductBar[] {
  return rules.flatMap((r): ProductBar[] => {
    if ((r.kinds && !r.kinds.includes(product.kind)) || r.notKinds?.includes(product.kind))
      return []
    if (r.nightOnly !== undefined)
      return daylight && ingredientsIn(product.inci).includes(r.nightOnly)
        ? [{ rule: r.id, text: r.sentence }]
        : []
    const { acid, pH } = product
    if (!acid || !r.acids?.includes(acid.name)) return []
    if (acid.percent > (r.percentMost ?? 100))
      return [{ rule: r.id, text: `${acid.percent} % ${acid.name} acid: ${r.sentence}` }]
    if (r.pHLeast !== undefined && (pH ?? 0) < r.pHLeast)
      return [{ rule: r.id, text: `${acid.name} acid at pH ${pH ?? 'not known'}: ${r.sentence}` }]
    return []
  })
}
