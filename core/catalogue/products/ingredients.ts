/**
 * Families of ingredients that a row may stop, and the words on a label (INCI) that belong to them.
 * Common practice; the label always wins.
 */
export const INGREDIENT_IDS = [
  'bee',
  'nuts',
  'fragrance',
  'lanolin',
  'milk',
  'gluten',
  'soy',
  'latex',
  'salicylate',
  'seaweed',
  'papaya',
  'daisy',
  'retinoid',
  'vitaminC',
] as const
export type IngredientId = (typeof INGREDIENT_IDS)[number]

export interface IngredientFamily {
  id: IngredientId
  name: string
  /** What people call it. */
  also: readonly string[]
  /** Beginnings of words on a label. */
  words: readonly string[]
  /** Asked for among the allergies. */
  allergen: boolean
  /** What it is called where it asks for a patch test on skin it is new to. */
  patch?: string
}

const family = (
  id: IngredientId,
  name: string,
  also: readonly string[],
  words: readonly string[],
  more: Partial<Pick<IngredientFamily, 'allergen' | 'patch'>> = {},
): IngredientFamily => ({
  id,
  name,
  also,
  words,
  allergen: true,
  ...more,
})
const ROWS: IngredientFamily[] = [
  family(
    'bee',
    'bee products',
    ['honey', 'propolis', 'beeswax', 'royal jelly', 'pollen'],
    ['mel', 'honey', 'propolis', 'cera alba', 'beeswax', 'royal jelly'],
  ),
  family(
    'nuts',
    'nuts',
    ['almond', 'walnut', 'hazelnut', 'macadamia', 'shea'],
    ['prunus amygdalus', 'juglans', 'corylus', 'macadamia', 'butyrospermum'],
  ),
  family(
    'fragrance',
    'fragrance',
    ['perfume', 'scent', 'essential oil'],
    ['parfum', 'limonene', 'linalool', 'geraniol', 'citral', 'lavandula'],
    { patch: 'fragrance' },
  ),
  family('lanolin', 'lanolin', ['wool wax'], ['lanolin']),
  family(
    'milk',
    'milk',
    ['casein', 'yoghurt', 'dairy'],
    ['lac', 'casein', 'whey', 'lactis proteinum'],
  ),
  family('gluten', 'gluten', ['wheat', 'barley', 'oat'], ['triticum', 'hordeum', 'avena']),
  family('soy', 'soy', ['soya'], ['glycine soja']),
  family('latex', 'latex', ['rubber gloves'], ['latex']),
  family(
    'salicylate',
    'aspirin and salicylates',
    ['aspirin', 'salicylic', 'willow'],
    ['salicyl', 'salix'],
    { patch: 'an active' },
  ),
  family(
    'seaweed',
    'seaweed, iodine, shellfish',
    ['iodine', 'shellfish', 'algae'],
    ['fucus', 'laminaria', 'algae', 'chondrus', 'chitosan'],
  ),
  family(
    'papaya',
    'papaya and pineapple',
    ['papain', 'bromelain', 'kiwi'],
    ['papain', 'carica papaya', 'bromelain'],
    { patch: 'an active' },
  ),
  family(
    'daisy',
    'daisy family',
    ['chamomile', 'calendula', 'arnica', 'ragweed'],
    ['chamomilla', 'calendula', 'arnica'],
  ),
  family(
    'retinoid',
    'a retinoid',
    ['retinoid', 'retinol', 'vitamin a acid'],
    ['retin', 'hydroxypinacolone retin', 'adapalene'],
    { allergen: false, patch: 'an active' },
  ),
  family('vitaminC', 'vitamin C', ['ascorbic acid'], ['ascorb'], {
    allergen: false,
    patch: 'an active',
  }),
]
export const INGREDIENTS = Object.freeze(
  Object.fromEntries(ROWS.map((row) => [row.id, row])),
) as Readonly<Record<IngredientId, IngredientFamily>>

/**
 * One pattern a family. Words match from the start of a word, case apart; short ones as whole
 * words: "lac" is milk, "lactic acid" is not.
 */
const PATTERNS = ROWS.map((row) => ({
  id: row.id,
  pattern: new RegExp(
    row.words
      .map((word) => `(?:^|[^a-z])${word}${word.length <= 4 ? '(?:[^a-z]|$)' : ''}`)
      .join('|'),
    'm',
  ),
}))
/** A list is looked through once, however often it is asked about. */
const seen = new WeakMap<readonly string[], IngredientId[]>()

/** Families that an ingredient list belongs to. */
export function ingredientsIn(inci: readonly string[]): IngredientId[] {
  const known = seen.get(inci)
  if (known) return known
  const lines = inci.join('\n').toLowerCase()
  const found = PATTERNS.filter((pattern) => pattern.pattern.test(lines)).map(
    (pattern) => pattern.id,
  )
  seen.set(inci, found)
  return found
}

/** Which family a client's own word means, if we know it: "honey" → bee products. */
export function ingredientNamed(said: string): IngredientId | undefined {
  const toLowerCase = said.trim().toLowerCase()
  if (toLowerCase.length < 3) return undefined
  return INGREDIENT_IDS.find((id) => {
    const { name, also, words } = INGREDIENTS[id]
    return [name, ...also, ...words].some(
      (word) => word.includes(toLowerCase) || toLowerCase.includes(word),
    )
  })
}
