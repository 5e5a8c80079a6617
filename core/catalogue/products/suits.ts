import { COMMON_PRACTICE } from '../kinds'
import type { ConditionId, SkinType } from '../skin/conditions'

/** A word on a product that says for whom it is, and how much that counts where the skin is so. */
interface Suit {
  id: SuitId
  /** How much a fitting word counts against the others, on a scale of this house's own. */
  weight: number
  types: readonly SkinType[]
  conditions: readonly ConditionId[]
  source: string
}
export const SUIT_IDS = [
  'all',
  'oily',
  'dry',
  'dehydrated',
  'sensitive',
  'congested',
  'mature',
] as const
export type SuitId = (typeof SUIT_IDS)[number]

const suit = (
  weight: number,
  types: readonly SkinType[],
  conditions: readonly ConditionId[],
): Omit<Suit, 'id'> => ({
  weight,
  types,
  conditions,
  source: `${COMMON_PRACTICE}; house scale`,
})

/** What is meant for everyone fits a little; what is meant for this skin fits more. */
export const SUITS: Readonly<Record<SuitId, Omit<Suit, 'id'>>> = {
  all: suit(1, ['dry', 'normal', 'combination', 'oily', 'unread'], []),
  oily: suit(3, ['oily', 'combination'], []),
  // Dry lacks oil, dehydrated lacks water: a thirsty oily skin wants no rich cream.
  dry: suit(3, ['dry'], []),
  dehydrated: suit(3, [], ['dehydrated']),
  sensitive: suit(5, [], ['sensitive', 'reactive']),
  congested: suit(3, [], ['congested']),
  mature: suit(3, [], ['mature']),
}
