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
  return rules.flatMap((rule): ProductBar[] => {
    if (!speaksOf(rule, product)) return []
    const text = rule.nightOnly === undefined ? tooStrong(rule, product) : byDay(rule, product)
    return text === undefined || (rule.nightOnly !== undefined && !daylight)
      ? []
      : [{ rule: rule.id, text }]
  })
}

const speaksOf = ({ kinds, notKinds }: ProductRule, { kind }: Product): boolean =>
  (kinds === undefined || kinds.includes(kind)) && notKinds?.includes(kind) !== true

/** What light makes worse is for the evening. */
function byDay({ nightOnly, sentence }: ProductRule, { inci }: Product): string | undefined {
  return nightOnly !== undefined && ingredientsIn(inci).includes(nightOnly) ? sentence : undefined
}

/** Too much of its acid, or too sour; what the label does not say counts as too sour. */
function tooStrong(
  { acids, percentMost = ALL_PERCENT, pHLeast, sentence }: ProductRule,
  { acid, pH }: Product,
): string | undefined {
  if (!acid || !acids?.includes(acid.name)) return undefined
  if (acid.percent > percentMost) return `${acid.percent} % ${acid.name} acid: ${sentence}`
  if (pHLeast !== undefined && (pH ?? 0) < pHLeast)
    return `${acid.name} acid at pH ${pH ?? 'not known'}: ${sentence}`
  return undefined
}
