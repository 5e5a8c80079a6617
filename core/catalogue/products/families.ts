import type { FamilyId, ProductKind } from '../kinds'
import { ingredientsIn, type IngredientId } from './ingredients'
import { ACID_KINDS } from './productRules'
import type { Product } from './products'

/** What stays on the skin after the visit. */
const LEFT_ON: readonly ProductKind[] = [
  'toner',
  'mist',
  'serum',
  'ampoule',
  'moisturiser',
  'facialOil',
  'eyeProduct',
]
/** Strong enough to count beside an acid (common practice). */
const ACTIVES: readonly IngredientId[] = ['retinoid', 'vitaminC', 'salicylate']
/** Alcohol that dries off and catches fire; fatty alcohols are something else. */
const SPIRIT = /^(alcohol( denat\.?)?|sd alcohol.*|isopropyl alcohol|ethanol)$/i

type Held = Pick<Product, 'kind' | 'inci' | 'acid'>
const holdsAcid = ({ kind, acid }: Held): boolean => acid !== undefined || ACID_KINDS.includes(kind)

/** Kinds of work that a bottle belongs to by what it holds, whatever technique it is used in. */
export function familiesOfBottle(product: Held): FamilyId[] {
  const held = ingredientsIn(product.inci)
  const leftOn = LEFT_ON.includes(product.kind)
  const out: FamilyId[] = []
  if (held.includes('retinoid')) out.push('retinoid')
  if (holdsAcid(product)) out.push('acid')
  if (leftOn && (holdsAcid(product) || ACTIVES.some((id) => held.includes(id))))
    out.push('leaveOnActive')
  if (product.inci.some((line) => SPIRIT.test(line.trim()))) out.push('alcohol')
  return out
}

/** Whether a bottle leaves an active on the skin. */
export const leavesActive = (product: Held): boolean =>
  familiesOfBottle(product).includes('leaveOnActive')
