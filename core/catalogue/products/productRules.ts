import type { IngredientId } from './ingredients'
import { COMMON_PRACTICE, type ProductKind } from '../kinds'
import type { Product } from './products'

type Acid = NonNullable<Product['acid']>['name']
/** What a bottle must keep to, whoever the client is. */
export interface ProductRule {
  id: string
  /** Only these acids. */
  acids?: readonly Acid[]
  percentMost?: number
  pHLeast?: number
  /** Only these kinds, or all but these. */
  kinds?: readonly ProductKind[]
  notKinds?: readonly ProductKind[]
  /** Not by day with this inside. */
  nightOnly?: IngredientId
  sentence: string
  source: string
}
const FRUIT: readonly Acid[] = ['glycolic', 'lactic', 'mandelic']

/** Kinds that are an acid, whether or not its strength is on file. */
export const ACID_KINDS: readonly ProductKind[] = ['acidMask', 'resurfacingMask', 'peelSolution']

export const PRODUCT_RULES: readonly ProductRule[] = [
  {
    id: 'acid-strength',
    acids: FRUIT,
    percentMost: 10,
    pHLeast: 3.5,
    notKinds: ['peelSolution'],
    sentence: 'fruit acids to 10 % at pH 3.5 or more',
    source: 'Cosmetic Ingredient Review, alpha hydroxy acids, 1998 and 2013 (values from memory)',
  },
  {
    id: 'peel-strength',
    acids: FRUIT,
    percentMost: 30,
    pHLeast: 3,
    kinds: ['peelSolution'],
    sentence: 'salon peels to 30 % at pH 3.0 or more',
    source: 'Cosmetic Ingredient Review, alpha hydroxy acids, 1998 and 2013 (values from memory)',
  },
  {
    id: 'salicylic-strength',
    acids: ['salicylic'],
    percentMost: 2,
    sentence: 'salicylic acid to 2 %',
    source: 'EU Regulation 1223/2009, Annex III (value from memory)',
  },
  {
    id: 'night-only',
    nightOnly: 'retinoid',
    sentence: 'retinoids are for the night',
    source: COMMON_PRACTICE,
  },
]
