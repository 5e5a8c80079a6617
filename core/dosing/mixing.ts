import { howMany } from '../words'
import { WASTE_PERCENT, WATER_DROP_ML, MEASURE_PARTS } from '../catalogue/rules/dosing'
import { ALL_PERCENT, ML_PER_TEASPOON, percentOf, ROUNDING } from '../units'
import { KITCHEN_LIFE_ROWS } from '../catalogue/products/kitchen'
import { ESSENTIAL_OILS } from '../catalogue/products/essentialOils'
import { MIXES, type MixRule } from '../catalogue/products/mixes'
import { KIND_NAMES, type ProductKind } from '../catalogue/kinds'
import type { Product } from '../catalogue/products/products'
import {
  RECIPE_MIXED,
  type PartMeasure,
  type Recipe,
  type RecipePart,
} from '../catalogue/products/recipes'
import type { SkinType } from '../catalogue/skin/conditions'
import { lifeWords } from '../screening/products/kitchen'
import { saidPart } from './saidPart'

/** One thing that is stirred into the powder. */
export interface MixPart {
  name: string
  /** Measures of it, as the hand can take them. */
  count: number
  millilitres: number
  words: string
}
/** A batch: the powder as its dose says, and all that is stirred into it. */
export interface Mix {
  /** Measures of powder: the very number of its dose. */
  powder: number
  parts: readonly MixPart[]
  /** Minutes before it goes on that it is mixed, and how long it stays workable. */
  beforeMinutes: number
  workingMinutes: number
  words: string
  /** All of it together, millilitres: what goes on the skin and what stays in the bowl. */
  yields: number
  /** How far the hand's rounding takes a part from its share, per cent. */
  driftPercent: number
  /** How long what is left may be kept. */
  keeps: string
  /** What may not go into it, or is too little to measure. */
  troubles: readonly string[]
}
export type Mixed = Pick<Product, 'kind' | 'recipe' | 'density' | 'dispenser' | 'inci'>

const ruleOf = (kind: ProductKind): MixRule | undefined => MIXES.find((made) => made.kind === kind)

/** It is stirred into something before it goes on. */
export const isMixed = ({ kind, recipe }: Pick<Product, 'kind' | 'recipe'>): boolean =>
  recipe !== undefined || ruleOf(kind) !== undefined

/** Millilitres of a part to one millilitre of powder. */
function shareOf(part: RecipePart, { parts, by }: Recipe, density: number): number {
  const share = part.parts / parts
  return by === 'volume' ? share : (share * density) / part.density
}
/** Millilitres of everything that one millilitre of powder makes. */
function yieldOf({ recipe, kind, density }: Mixed): number | undefined {
  if (recipe) return recipe.others.reduce((sum, part) => sum + shareOf(part, recipe, density), 1)
  const rule = ruleOf(kind)
  return rule && 1 + rule.liquidParts
}

/**
 * Powder that makes so much finished paste, with what stays in the bowl.
 * @param paste millilitres on the skin
 * @returns millilitres of powder; undefined for what comes ready
 */
export function powderFor(product: Mixed, paste: number): number | undefined {
  const makes = yieldOf(product)
  return makes && (paste + percentOf(paste, WASTE_PERCENT)) / makes
}

/**
 * What is stirred into so much powder: by the house's own recipe; else liquid by the same scoop,
 * water for oily skin, half and half for balanced, mostly milk (or water where milk is not borne)
 * for dry.
 * @param powder measures of powder, as its dose says
 * @returns undefined for what is not mixed
 * @throws RangeError for an amount that is not above zero
 */
export function mixFor(
  product: Mixed,
  powder: number,
  type: SkinType,
  milkBorne: boolean,
): Mix | undefined {
  const rule = ruleOf(product.kind)
  if (!rule && !product.recipe) return undefined
  if (!(powder > 0)) throw new RangeError('the powder must be above zero')
  if (product.recipe) return byRecipe(product, product.recipe, powder)
  if (!rule) return undefined
  const scoop = product.dispenser.millilitres
  const count = powder * rule.liquidParts
  const name = rule.liquid ? KIND_NAMES[rule.liquid] : liquidFor(type, milkBorne)
  const { beforeMinutes, workingMinutes, words } = rule
  return {
    ...{ powder, beforeMinutes, workingMinutes, words },
    parts: [{ name, count, millilitres: count * scoop, words: scoopWords(count) }],
    yields: (powder + count) * scoop,
    driftPercent: 0,
    keeps: KITCHEN_LIFE_ROWS.now.words,
    troubles: [],
  }
}

function liquidFor(type: SkinType, milkBorne: boolean): string {
  if (!milkBorne || type === 'oily') return 'water'
  return type === 'dry' ? 'mostly milk' : 'half water, half milk'
}

const scoopWords = (count: number): string =>
  `${saidPart(count)} ${count <= 1 ? 'scoop' : 'scoops'}`

/** What one measure of a part gives, the smallest share of it, and how it is said. */
function measureOf(
  measure: PartMeasure,
  scoop: number,
  density: number,
): { each: number; share: number; say: (count: number) => string } {
  const spoon = { share: MEASURE_PARTS.scoop }
  if (measure === 'scoop') return { each: scoop, ...spoon, say: scoopWords }
  if (measure === 'teaspoon')
    return {
      each: ML_PER_TEASPOON,
      ...spoon,
      say: (count) => `${saidPart(count)} ${count <= 1 ? 'teaspoon' : 'teaspoons'}`,
    }
  if (measure === 'drop')
    return {
      each: WATER_DROP_ML,
      share: 1,
      say: (count) => howMany(count, 'drop'),
    }
  return { each: 1 / density, share: MEASURE_PARTS.scoop, say: (count) => `${count} g` }
}

function byRecipe(product: Mixed, recipe: Recipe, powder: number): Mix {
  const scoop = product.dispenser.millilitres
  const base = powder * scoop
  const made = recipe.others.map((own) => {
    const exact = base * shareOf(own, recipe, product.density)
    const { each, share, say } = measureOf(own.measure, scoop, own.density)
    // Drops are never more than reckoned: what is strong enough for drops has a most.
    const whole = own.measure === 'drop' ? Math.floor : Math.round
    const count = whole(exact / (each * share) + ROUNDING) * share
    const millilitres = count * each
    return { name: own.name, count, millilitres, words: say(count), exact, label: own.label }
  })
  const yields = base + made.reduce((sum, { millilitres }) => sum + millilitres, 0)
  return {
    powder,
    parts: made.map(({ name, count, millilitres, words }) => ({ name, count, millilitres, words })),
    ...RECIPE_MIXED,
    workingMinutes: recipe.workingMinutes,
    yields,
    driftPercent: Math.round(
      Math.max(0, ...made.map(({ millilitres, exact }) => Math.abs(millilitres / exact - 1))) *
        ALL_PERCENT,
    ),
    keeps: lifeWords(product),
    troubles: made.flatMap((own) => troublesOf(own, yields)),
  }
}

/** Too little to measure, or more of an essential oil than skin bears. */
function troublesOf(
  { name, label, count, millilitres }: Pick<RecipePart, 'name' | 'label'> & MixPart,
  yields: number,
): string[] {
  if (count === 0) return [`${name}: less than this batch can measure. Leave it out.`]
  return tooMuch(name, label, millilitres / yields, 'this batch')
}

const tooMuch = (name: string, label: string, share: number, of: string): string[] =>
  ESSENTIAL_OILS.filter(
    ({ said, percentMost }) =>
      (said.test(name) || said.test(label)) && share * ALL_PERCENT > percentMost,
  ).map(
    ({ name: oil, percentMost }) =>
      `${oil}: ${(share * ALL_PERCENT).toFixed(2)} % of ${of}, ${percentMost} % at most`,
  )

/** Essential oils of which a recipe holds more than skin bears, however large the batch. */
export function tooMuchOil(product: Mixed): string[] {
  const { recipe, density } = product
  const makes = recipe && yieldOf(product)
  if (!recipe || makes === undefined) return []
  return recipe.others.flatMap((part) =>
    tooMuch(part.name, part.label, shareOf(part, recipe, density) / makes, 'this recipe'),
  )
}
