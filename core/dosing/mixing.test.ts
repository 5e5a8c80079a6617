import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { product } from '../testing/fixtures'
import type { Product } from '../catalogue/products/products'
import { areaOf } from '../face/regions'
import { REGION_IDS } from '../face/zones'
import { amountFor } from './amount'
import { lightDose } from './light'
import { KITCHEN_RECIPES, PART_MEASURES, type Recipe } from '../catalogue/products/recipes'
import { mixFor, tooMuchOil } from './mixing'

/** A product with a recipe of its own: density of the powder and its parts within what kitchens hold. */
const recipe = fc.record<Recipe>({
  parts: fc.integer({ min: 1, max: 100 }),
  by: fc.constantFrom('volume', 'weight'),
  others: fc.array(
    fc.record({
      name: fc.constantFrom('rose water', 'honey', 'fine sugar', 'yoghurt'),
      parts: fc.integer({ min: 1, max: 100 }),
      density: fc.double({ min: 0.5, max: 1.5, noNaN: true }),
      measure: fc.constantFrom(...PART_MEASURES),
      label: fc.constant(''),
    }),
    { minLength: 1, maxLength: 4 },
  ),
  workingMinutes: fc.integer({ min: 1, max: 30 }),
})
const recipeProduct = fc
  .tuple(recipe, fc.double({ min: 0.4, max: 1.4, noNaN: true }), fc.integer({ min: 2, max: 15 }))
  .map(([own, density, millilitres]) =>
    product('powderMask', 'p', {
      ...{ recipe: own, density },
      dispenser: { kind: 'scoop', millilitres },
    }),
  )
/** The smallest share of a measure that the hand can take, in millilitres. */
const stepOf = (part: Recipe['others'][number], scoop: number): number =>
  ({ scoop: scoop / 4, teaspoon: 5 / 4, drop: 0.05, gram: 1 / (4 * part.density) })[part.measure]

describe('a recipe of the house', () => {
  it('reaches over all that it is for, with what stays in the bowl, by whatever measure', () => {
    fc.assert(
      fc.property(recipeProduct, fc.subarray([...REGION_IDS], { minLength: 1 }), (own, regions) => {
        const dose = amountFor(own, regions)
        const mix = mixFor(own, dose.count, 'normal', true)
        if (!mix || !own.recipe) throw new Error('not mixed')
        const paste = (areaOf(regions) * 15 * 1.1) / 1000 / own.density
        const rounding = own.recipe.others.reduce(
          (sum, part) => sum + stepOf(part, own.dispenser.millilitres),
          0,
        )
        expect(mix.yields + rounding).toBeGreaterThanOrEqual(paste - 1e-6)
      }),
    )
  })
  it('keeps each part at its share, within what the hand can measure', () => {
    fc.assert(
      fc.property(recipeProduct, fc.integer({ min: 1, max: 40 }), (own, quarters) => {
        const powder = quarters / 4
        const mix = mixFor(own, powder, 'normal', true)
        if (!mix || !own.recipe) throw new Error('not mixed')
        const { parts, by, others } = own.recipe
        for (const [at, part] of others.entries()) {
          const base = powder * own.dispenser.millilitres
          const exact =
            by === 'volume'
              ? (base * part.parts) / parts
              : (base * own.density * part.parts) / parts / part.density
          const off = Math.abs((mix.parts[at]?.millilitres ?? -99) - exact)
          expect(off).toBeLessThanOrEqual(stepOf(part, own.dispenser.millilitres) + 1e-6)
        }
      }),
    )
  })
  it('no mix passes the most of an essential oil: it is refused, or a drop is left out', () => {
    const oils = ['cinnamon bark', 'cinnamon leaf', 'clove bud', 'lemongrass', 'bergamot']
    const most = [0.07, 0.6, 0.5, 0.7, 0.4]
    fc.assert(
      fc.property(
        fc.nat(oils.length - 1),
        fc.integer({ min: 1, max: 400 }),
        fc.integer({ min: 1, max: 40 }),
        (which, parts, quarters) => {
          const own = product('powderMask', 'p', {
            dispenser: { kind: 'scoop', millilitres: 10 },
            recipe: {
              parts: 10_000,
              by: 'volume',
              others: [
                { name: 'water', parts: 9000, density: 1, measure: 'teaspoon', label: 'Aqua' },
                { name: oils[which] ?? '', parts, density: 1, measure: 'drop', label: '' },
              ],
              workingMinutes: 5,
            },
          })
          const percent = (parts / (19_000 + parts)) * 100
          const refused = tooMuchOil(own).length > 0
          expect(refused).toBe(percent > (most[which] ?? 0))
          if (refused) return
          const drop = mixFor(own, quarters / 4, 'normal', true)?.parts[1]
          const exact = ((quarters / 4) * 10 * parts) / 10_000
          expect(drop?.millilitres ?? 99).toBeLessThanOrEqual(exact + 1e-9)
        },
      ),
    )
  })
  it('gram flour, rose water and honey by the spoon: one, one and a half', () => {
    const gram = KITCHEN_RECIPES.find(({ id }) => id === 'gramFlour')
    if (!gram) throw new Error('no recipe')
    const flour = product('powderMask', 'p', {
      recipe: gram,
      dispenser: { kind: 'scoop', millilitres: 5 },
    })
    const mix = mixFor(flour, 1, 'normal', true)
    expect(mix?.parts.map(({ name, words }) => `${name}: ${words}`)).toEqual([
      'rose water: 1 teaspoon',
      'honey: ½ teaspoon',
    ])
    expect(mix?.yields).toBeCloseTo(12.5)
  })
  it('oat to sugar is three to one by weight', () => {
    const oat = KITCHEN_RECIPES.find(({ id }) => id === 'oatSugar')
    if (!oat) throw new Error('no recipe')
    const own = product('grainScrub', 'p', {
      recipe: oat,
      density: 0.5,
      dispenser: { kind: 'scoop', millilitres: 15 },
    })
    const sugar = mixFor(own, 2, 'normal', true)?.parts[0]
    // Two scoops of 15 mL at 0.5 g/mL are 15 g of oat: 5 g of sugar.
    expect(sugar?.words).toBe('5 g')
  })
})

describe('mixing', () => {
  it('covers what is wanted, waste included, in quarter scoops, powder one to activator two', () => {
    fc.assert(
      fc.property(
        fc.subarray([...REGION_IDS], { minLength: 1 }),
        fc.double({ min: 2, max: 20, noNaN: true }),
        (regions, scoop) => {
          const powder = product('hardeningPowder', 'powder', {
            dispenser: { kind: 'scoop', millilitres: scoop },
            density: 1,
          })
          const { count } = amountFor(powder, regions)
          const mix = mixFor(powder, count, 'normal', true)
          expect(mix?.powder).toBe(count)
          expect(mix?.parts[0]?.count).toBe(count * 2)
          // Forty milligrams a square centimetre, and a tenth that stays in the bowl.
          const paste = (areaOf(regions) * 40 * 1.1) / 1000
          expect(count * 3 * scoop).toBeGreaterThanOrEqual(paste - 1e-6)
          if (count > 0.25) expect((count - 0.25) * 3 * scoop).toBeLessThan(paste)
          expect(Number.isInteger(count * 4)).toBe(true)
        },
      ),
    )
  })
  it('takes water for oily skin and milk for dry, unless milk is not borne', () => {
    const of = (type: 'oily' | 'normal' | 'dry', milk = true) =>
      mixFor(product('powderMask'), 1, type, milk)?.parts[0]?.name
    expect([of('oily'), of('normal'), of('dry'), of('dry', false)]).toEqual([
      'water',
      'half water, half milk',
      'mostly milk',
      'water',
    ])
  })
  it('mixes nothing that comes ready, and refuses amounts that cannot be', () => {
    expect(mixFor(product('serum'), 1, 'dry', true)).toBeUndefined()
    expect(() => mixFor(product('powderMask'), 0, 'dry', true)).toThrow(RangeError)
  })
  it('reckons light as irradiance times time', () => {
    expect(lightDose(30, 10)).toBeCloseTo(18, 9)
  })
})

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
