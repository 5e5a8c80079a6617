import { WASTE_PERCENT } from '../catalogue/rules/dosing'
import { percentOf } from '../units'
import { MIXES, type MixRule } from '../catalogue/products/mixes'
import { KIND_NAMES, type ProductKind } from '../catalogue/kinds'
import type { SkinType } from '../catalogue/skin/conditions'

export interface Mix {
  rule: MixRule
  /** Measures of powder: the very number of its dose. */
  powder: number
  /** Of liquid, by the same measure. */
  liquid: number
  /** What the liquid is, by how oily the skin is. */
  of: string
}

const ruleOf = (kind: ProductKind): MixRule | undefined => MIXES.find((made) => made.kind === kind)

/**
 * Powder that makes so much finished paste, with what stays in the bowl. Parts by volume.
 * @param paste millilitres on the skin
 * @returns millilitres of powder; undefined for a kind that comes ready
 */
export function powderFor(kind: ProductKind, paste: number): number | undefined {
  const rule = ruleOf(kind)
  return rule && (paste + percentOf(paste, WASTE_PERCENT)) / (1 + rule.liquidParts)
}

/**
 * What is stirred into so much powder: liquid by the same scoop; water for oily skin, half and half
 * for balanced, mostly milk (or a plant milk where milk is not borne) for dry.
 * @param powder measures of powder, as its dose says
 * @returns undefined for a kind that is not mixed
 * @throws RangeError for an amount that is not above zero
 */
export function mixFor(
  kind: ProductKind,
  powder: number,
  type: SkinType,
  milkBorne: boolean,
): Mix | undefined {
  const rule = ruleOf(kind)
  if (!rule) return undefined
  if (!(powder > 0)) throw new RangeError('the powder must be above zero')
  return {
    rule,
    powder,
    liquid: powder * rule.liquidParts,
    of: rule.liquid ? KIND_NAMES[rule.liquid] : liquidFor(type, milkBorne),
  }
}

function liquidFor(type: SkinType, milkBorne: boolean): string {
  if (!milkBorne || type === 'oily') return 'water'
  return type === 'dry' ? 'mostly milk' : 'half water, half milk'
}
