import { describe, expect, it } from 'vitest'
import type { Product } from '../catalogue/products/products'
import { KITCHEN_RECIPES, type Recipe } from '../catalogue/products/recipes'
import { product } from '../testing/fixtures'
import { mixFor } from './mixing'

/** Worked by hand, each for a small, a usual and a large batch: powder in scoops → what is stirred in. */
const BY_HAND: readonly (readonly [
  string,
  Product,
  readonly (readonly [powder: number, parts: readonly string[], yields: number])[],
])[] = [
  [
    'hardening, 1 : 2 by the same level scoop of 10 mL',
    product('hardeningPowder', 'p', { dispenser: { kind: 'scoop', millilitres: 10 } }),
    [
      [1, ['activator: 2 scoops'], 30],
      [1.25, ['activator: 2½ scoops'], 37.5],
      [3.5, ['activator: 7 scoops'], 105],
    ],
  ],
  [
    // 1 : 3 by weight; powder of 0.5 g/mL, so 1 mL of it takes 1.5 mL of water.
    'peel-off powder, 1 : 3 by weight',
    recipeOf(0.5, 20, 'weight', 1, [['water', 3, 1, 'gram']]),
    [
      [1, ['water: 30 g'], 50],
      [1.5, ['water: 45 g'], 75],
      [3, ['water: 90 g'], 150],
    ],
  ],
  [
    'gram flour, rose water, honey 1 : 1 : ½ by the spoon of 5 mL',
    recipeOf(0.6, 5, 'volume', 1, [
      ['rose water', 1, 1, 'teaspoon'],
      ['honey', 0.5, 1.4, 'teaspoon'],
    ]),
    [
      [0.5, ['rose water: ½ teaspoon', 'honey: ¼ teaspoon'], 6.25],
      [1, ['rose water: 1 teaspoon', 'honey: ½ teaspoon'], 12.5],
      [2, ['rose water: 2 teaspoons', 'honey: 1 teaspoon'], 25],
    ],
  ],
  [
    // 75 : 25 : 40 : 15 by weight; oat of 0.5 g/mL by the scoop of 15 mL: 7.5 g a scoop.
    'oat and sugar, 75 : 25, bound with oil and yoghurt',
    recipeOf(0.5, 15, 'weight', 75, [
      ['fine sugar', 25, 0.85, 'gram'],
      ['plant oil', 40, 0.92, 'gram'],
      ['yoghurt', 15, 1.03, 'gram'],
    ]),
    [
      [1, ['fine sugar: 2.5 g', 'plant oil: 4 g', 'yoghurt: 1.5 g'], 15 + 2.94 + 4.35 + 1.46],
      [2, ['fine sugar: 5 g', 'plant oil: 8 g', 'yoghurt: 3 g'], 30 + 5.88 + 8.7 + 2.91],
      [4, ['fine sugar: 10 g', 'plant oil: 16 g', 'yoghurt: 6 g'], 60 + 11.76 + 17.39 + 5.83],
    ],
  ],
  [
    "fuller's earth, 10 : 1 : 9 by volume, by the spoon",
    recipeOf(0.7, 10, 'volume', 10, [
      ['sandalwood powder', 1, 0.5, 'teaspoon'],
      ['rose water', 9, 1, 'teaspoon'],
    ]),
    [
      // A tenth of 10 mL is a fifth of a spoon: a quarter is what the hand can take.
      [1, ['sandalwood powder: ¼ teaspoon', 'rose water: 1¾ teaspoons'], 10 + 1.25 + 8.75],
      [2.5, ['sandalwood powder: ½ teaspoon', 'rose water: 4½ teaspoons'], 25 + 2.5 + 22.5],
      [5, ['sandalwood powder: 1 teaspoon', 'rose water: 9 teaspoons'], 50 + 5 + 45],
    ],
  ],
  [
    // One drop of 0.05 mL to 10 mL of clay and as much water: 0.25 % of 20 mL.
    'clay with water and a drop of lavender to 10 mL',
    recipeOf(0.8, 10, 'volume', 10, [
      ['water', 10, 1, 'scoop'],
      ['lavender', 0.05, 0.9, 'drop'],
    ]),
    [
      [0.5, ['water: ½ scoop', 'lavender: 0 drops'], 10],
      [1, ['water: 1 scoop', 'lavender: 1 drop'], 20.05],
      [3, ['water: 3 scoops', 'lavender: 3 drops'], 60.15],
    ],
  ],
]
describe('six mixes worked by hand at three sizes', () => {
  it.each(BY_HAND)('%s', (_, own, sizes) => {
    for (const [powder, parts, yields] of sizes) {
      const mix = mixFor(own, powder, 'normal', true)
      expect(mix?.parts.map(({ name, words }) => `${name}: ${words}`)).toEqual(parts)
      expect(mix?.yields).toBeCloseTo(yields, 1)
      expect(mix?.powder).toBe(powder)
    }
  })
  it('says how far the hand takes a part from its share, and what is too little to measure', () => {
    const earth = BY_HAND[4]?.[1]
    const clay = BY_HAND[5]?.[1]
    if (!earth || !clay) throw new Error('no mix')
    // A quarter spoon for a fifth: a quarter more.
    expect(mixFor(earth, 1, 'normal', true)?.driftPercent).toBe(25)
    expect(mixFor(earth, 5, 'normal', true)?.driftPercent).toBe(0)
    expect(mixFor(clay, 0.5, 'normal', true)?.troubles).toEqual([
      'lavender: less than this batch can measure. Leave it out.',
    ])
  })
  it('keeps as long as the part that keeps the shortest', () => {
    const keeps = BY_HAND.map(([, own]) => mixFor(own, 1, 'normal', true)?.keeps)
    expect(keeps[0]).toContain('at once')
    // Rose water, then yoghurt: once wetted it is used, a yoghurt mix keeps chilled for the same person.
    expect(keeps[2]).toContain('at once')
    expect(keeps[3]).toContain('chilled')
  })
})
/** A house's recipe on a powder of a density, by a scoop. */
function recipeOf(
  density: number,
  scoop: number,
  by: 'volume' | 'weight',
  parts: number,
  others: readonly (readonly [string, number, number, Recipe['others'][number]['measure']])[],
): Product {
  return product('powderMask', 'p', {
    inci: ['Avena Sativa Kernel Flour'],
    density,
    dispenser: { kind: 'scoop', millilitres: scoop },
    recipe: {
      parts,
      by,
      others: others.map(([name, share, weight, measure]) => ({
        ...{ name, parts: share, density: weight, measure, label: '' },
      })),
      workingMinutes: 10,
    },
  })
}

describe('the recipes of the kitchen', () => {
  const bowl = (recipe: (typeof KITCHEN_RECIPES)[number]) =>
    product(recipe.kind, recipe.id, {
      ...{ recipe, inci: [recipe.label], density: 0.6 },
      dispenser: { kind: 'scoop', millilitres: 10 },
    })
  it.each(KITCHEN_RECIPES)(
    '$id keeps its shares at every size, and nothing in it is too little',
    (own) => {
      for (const powder of [1, 2, 5]) {
        const mix = mixFor(bowl(own), powder, 'normal', true)
        expect(mix?.parts.map(({ name }) => name)).toEqual(own.others.map(({ name }) => name))
        expect(mix?.troubles).toEqual([])
        expect(mix?.driftPercent).toBeLessThanOrEqual(25)
      }
    },
  )
  it('a batch too small for its smallest part says so', () => {
    const earth = KITCHEN_RECIPES.find(({ id }) => id === 'fullersEarth')
    if (!earth) throw new Error('no recipe')
    expect(mixFor(bowl(earth), 0.25, 'normal', true)?.troubles[0]).toContain('Leave it out')
  })
})
