/**
 * By which words of a label it is known what carries it: silicones by the ending of their INCI names,
 * oils by theirs (common practice of reading a label).
 */
export const INGREDIENT_WORDS = {
  /** How many of the first words are looked at: what there is most of. */
  looked: 3,
  silicone: /(methicone|siloxane|silsesquioxane)\b/i,
  oil: /\b(oil|squalane|triglyceride)\b/i,
} as const
