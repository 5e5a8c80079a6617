import { ALL_PERCENT } from '../../units'
import { ingredientsIn } from '../../catalogue/products/ingredients'
import { PRODUCT_RULES, type ProductRule } from '../../catalogue/products/productRules'
import type { Product } from '../../catalogue/products/products'
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
  return rules.flatMap((productRule): ProductBar[] => {
    if (
      (productRule.kinds && !productRule.kinds.includes(product.kind)) ||
      productRule.notKinds?.includes(product.kind)
    )
      return []
    if (productRule.nightOnly !== undefined)
      return daylight && ingredientsIn(product.inci).includes(productRule.nightOnly)
        ? [{ rule: productRule.id, text: productRule.sentence }]
        : []
    const { acid, pH } = product
    if (!acid || !productRule.acids?.includes(acid.name)) return []
    if (acid.percent > (productRule.percentMost ?? ALL_PERCENT))
      return [
        {
          rule: productRule.id,
          text: `${acid.percent} % ${acid.name} acid: ${productRule.sentence}`,
        },
      ]
    if (productRule.pHLeast !== undefined && (pH ?? 0) < productRule.pHLeast)
      return [
        {
          rule: productRule.id,
          text: `${acid.name} acid at pH ${pH ?? 'not known'}: ${productRule.sentence}`,
        },
      ]
    return []
  })
}
