import { COMMON_PRACTICE } from '../../catalogue/kinds'
import { INGREDIENTS, ingredientsIn, type IngredientId } from '../../catalogue/products/ingredients'
import type { Product } from '../../catalogue/products/products'
import { PATCH_HOURS } from '../../catalogue/rules/screening'
import { HOUR_MS } from '../../units'
import type { PatchTest } from './patch'
import type { Bar } from '../verdict/verdict'

/** A reaction in the room for which a product was suspected. `at` in milliseconds since 1970. */
export interface PastReaction {
  at: number
  /** ISO day of the house. */
  day: string
  productId: string
  productName: string
  /** What the product held, as on its label. */
  inci: readonly string[]
  what: string
}

/** The rule under which a suspected product stays on the shelf, and may be set aside. */
export const REACTED_RULE = 'reacted-here'

/** A patch test that was placed after a moment and read clear in its time clears a product. */
function clearedSince(productId: string, since: number, tests: readonly PatchTest[]): boolean {
  return tests.some(
    (test) =>
      test.productId === productId &&
      test.placedAt > since &&
      test.reads.length > 0 &&
      test.reads.every(
        (read) => read.result === 'clear' && read.at >= test.placedAt + PATCH_HOURS.first * HOUR_MS,
      ),
  )
}

/** Ingredients that could have been it: allergens, and what asks for a patch test. */
const flagged = (inci: readonly string[]): IngredientId[] =>
  ingredientsIn(inci).filter(
    (id) => INGREDIENTS[id].allergen || INGREDIENTS[id].patch !== undefined,
  )

/** Reactions whose product has not been cleared by a patch test since. */
export const openReactions = (
  reactions: readonly PastReaction[],
  tests: readonly PatchTest[],
): PastReaction[] =>
  reactions.filter((reaction) => !clearedSince(reaction.productId, reaction.at, tests))

/**
 * Why a product stays on the shelf for this client after a reaction: it was suspected, or it holds
 * a flagged ingredient of the one that was. It comes back when a patch test placed since then has
 * read clear. Common practice.
 */
export function suspicion(
  product: Product,
  reactions: readonly PastReaction[],
  tests: readonly PatchTest[],
): string | undefined {
  for (const reaction of openReactions(reactions, tests)) {
    if (reaction.productId === product.id)
      return `suspected of the reaction on ${reaction.day}: patch test first`
    if (clearedSince(product.id, reaction.at, tests)) continue
    const own = flagged(product.inci)
    const shared = flagged(reaction.inci).find((id) => own.includes(id))
    if (shared !== undefined)
      return (
        `holds ${INGREDIENTS[shared].name}, as ${reaction.productName} did, ` +
        `suspected of the reaction on ${reaction.day}: patch test first`
      )
  }
  return undefined
}

/** What Ask says of reactions that were not cleared up. */
export const reactionBars = (
  reactions: readonly PastReaction[],
  tests: readonly PatchTest[],
): Bar[] =>
  openReactions(reactions, tests).map(({ productName, day, what }) => ({
    rule: REACTED_RULE,
    does: 'restricts',
    families: [],
    regions: [],
    sentence:
      `${productName} is suspected of the reaction on ${day} (${what}). It stays on the shelf, ` +
      'and so does what shares its flagged ingredients, until a patch test reads clear.',
    reason: 'what burned once may burn again',
    lifts: 'therapist',
    source: COMMON_PRACTICE,
  }))
