import { INGREDIENT_IDS, INGREDIENTS, type IngredientId } from './allergens'

export { INGREDIENT_IDS, INGREDIENTS, type IngredientFamily, type IngredientId } from './allergens'

/** A word of so few letters counts as a whole word only: "lac" is milk, "lactic acid" is not. */
const SHORT = 4
/** Words match from the start of a word, case apart; short ones as whole words. */
const patternOf = (words: readonly string[]) =>
  new RegExp(
    words
      .map((word) => `(?:^|[^a-z])${word}${word.length <= SHORT ? '(?:[^a-z]|$)' : ''}`)
      .join('|'),
    'm',
  )
const PATTERNS = INGREDIENT_IDS.map((id) => ({ id, pattern: patternOf(INGREDIENTS[id].words) }))
/** What a client may call a family: its name, what people say, and the words of a label. */
const SAID = INGREDIENT_IDS.map((id) => {
  const { name, also, words } = INGREDIENTS[id]
  return { id, pattern: patternOf([name, ...also, ...words]) }
})
/** A list is looked through once, however often it is asked about. */
const seen = new WeakMap<readonly string[], IngredientId[]>()

/** Families that an ingredient list belongs to. */
export function ingredientsIn(inci: readonly string[]): IngredientId[] {
  const known = seen.get(inci)
  if (known) return known
  const lines = inci.join('\n').toLowerCase()
  const found = PATTERNS.filter(({ pattern }) => pattern.test(lines)).map(({ id }) => id)
  seen.set(inci, found)
  return found
}

/**
 * Families that a client's own word means: "honey" is bee products; "nuts and milk" are nuts, milk,
 * and peanuts as well, since who says nuts may mean them. Empty where no list knows the word.
 */
export function ingredientsNamed(said: string): IngredientId[] {
  const text = said.trim().toLowerCase()
  const direct = SAID.filter(({ pattern }) => pattern.test(text)).map(({ id }) => id)
  return [...new Set(direct.flatMap((id) => [id, ...(INGREDIENTS[id].crossesTo ?? [])]))]
}
