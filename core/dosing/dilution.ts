import type { Product } from '../catalogue/products/products'

/**
 * How much of a house's mix is the product itself, by weight: 1 for what is used as it comes.
 * @example dilution(powder mixed 1 : 3 by weight) // 0.25
 */
export function dilution({ recipe, density }: Pick<Product, 'recipe' | 'density'>): number {
  if (!recipe) return 1
  const weigh = (parts: number, of: number) => (recipe.by === 'weight' ? parts : parts * of)
  const own = weigh(recipe.parts, density)
  return own / recipe.others.reduce((sum, part) => sum + weigh(part.parts, part.density), own)
}
