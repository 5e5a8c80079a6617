import { COMMON_PRACTICE, type ProductKind } from '../kinds'

/** What a part of a mix is measured with; a scoop is the scoop of the powder itself. */
export const PART_MEASURES = ['scoop', 'teaspoon', 'drop', 'gram'] as const
export type PartMeasure = (typeof PART_MEASURES)[number]
export const PART_MEASURE_NAMES: Readonly<Record<PartMeasure, string>> = {
  scoop: 'the same scoop',
  teaspoon: 'teaspoon, 5 mL',
  drop: 'drops',
  gram: 'scale, grams',
}

/** What is stirred into a powder beside it. */
export interface RecipePart {
  name: string
  /** To so many parts of the powder (`Recipe.parts`). */
  parts: number
  /** Grams of a millilitre. */
  density: number
  measure: PartMeasure
  /** What is in it, as on a label: read against allergies like any bottle. */
  label: string
}
/** How a house mixes a product: parts of it, and of what is stirred in. */
export interface Recipe {
  /** Parts of the powder itself. */
  parts: number
  by: 'volume' | 'weight'
  others: readonly RecipePart[]
  workingMinutes: number
}

/** When a recipe of the house is mixed, and how. Common practice. */
export const RECIPE_MIXED = {
  beforeMinutes: 2,
  words: 'powder first, then the rest in this order; in glass or wood, never kept',
} as const

/** Recipes of the kitchen to begin a product with; each house changes them as it likes. */
export interface KitchenRecipe extends Recipe {
  id: string
  kind: ProductKind
  name: string
  /** The label of the powder itself. */
  label: string
  source: string
}
const part = (
  name: string,
  parts: number,
  measure: PartMeasure,
  label: string,
  density = 1,
): RecipePart => ({ name, parts, density, measure, label })
const kitchen = (
  id: string,
  kind: ProductKind,
  name: string,
  label: string,
  recipe: Recipe,
): KitchenRecipe => ({ ...{ id, kind, name, label }, ...recipe, source: COMMON_PRACTICE })

export const KITCHEN_RECIPES: readonly KitchenRecipe[] = [
  kitchen('gramFlour', 'powderMask', 'Gram flour mask', 'Cicer Arietinum Seed Powder', {
    parts: 1,
    by: 'volume',
    others: [
      part('rose water', 1, 'teaspoon', 'Rosa Damascena Flower Water'),
      part('honey', 0.5, 'teaspoon', 'Mel', 1.4),
    ],
    workingMinutes: 10,
  }),
  kitchen('oatSugar', 'grainScrub', 'Oat and sugar scrub', 'Avena Sativa Kernel Flour', {
    parts: 75,
    by: 'weight',
    others: [
      part('fine sugar', 25, 'gram', 'Sucrose', 0.85),
      part('plant oil', 40, 'gram', 'Prunus Amygdalus Dulcis Oil', 0.92),
      part('yoghurt', 15, 'gram', 'Yogurt', 1.03),
    ],
    workingMinutes: 15,
  }),
  kitchen('fullersEarth', 'powderMask', "Fuller's earth, warming", "Fuller's Earth", {
    parts: 10,
    by: 'volume',
    others: [
      part('sandalwood powder', 1, 'teaspoon', 'Santalum Album Wood Powder', 0.5),
      part('rose water', 9, 'teaspoon', 'Rosa Damascena Flower Water'),
    ],
    workingMinutes: 10,
  }),
]

/** A part, and a recipe, that nobody has typed anything of yet. */
export const BLANK_PART: RecipePart = part('', 1, 'teaspoon', '')
export const BLANK_RECIPE: Recipe = {
  parts: 1,
  by: 'volume',
  others: [BLANK_PART],
  workingMinutes: 10,
}
