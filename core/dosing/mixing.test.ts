import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { product } from '../testing/fixtures'
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
  it('says of a recipe how much of an oil it holds and how much it may', () => {
    const own = product('powderMask', 'p', {
      recipe: {
        parts: 90,
        by: 'volume',
        others: [
          { name: 'water', parts: 9, density: 1, measure: 'teaspoon', label: 'Aqua' },
          { name: 'lemongrass', parts: 1, density: 1, measure: 'drop', label: '' },
        ],
        workingMinutes: 5,
      },
    })
    expect(tooMuchOil(own)).toEqual(['lemongrass oil: 1.00 % of this recipe, 0.7 % at most'])
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
