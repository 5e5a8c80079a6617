/**
 * Families of ingredients that a row may stop, and the words on a label (INCI names and their
 * synonyms) that belong to them. The label always wins. Foods follow Annex II of Regulation (EU)
 * 1169/2011, fragrance allergens the list of Regulation (EU) 2023/1545, both from memory; botanical
 * names are common practice.
 */
export const INGREDIENT_IDS = [
  'bee',
  'pollen',
  'nuts',
  'peanut',
  'fragrance',
  'lanolin',
  'milk',
  'gluten',
  'egg',
  'soy',
  'sesame',
  'celery',
  'mustard',
  'lupin',
  'latex',
  'salicylate',
  'seaweed',
  'papaya',
  'daisy',
  'paraben',
  'isothiazolinone',
  'formaldehyde',
  'nickel',
  'colophony',
  'fish',
  'retinoid',
  'vitaminC',
  'enzyme',
] as const
export type IngredientId = (typeof INGREDIENT_IDS)[number]
