import { MEASURE_PARTS, WASTE_PERCENT } from '../catalogue/rules/dosing'
import { percentOf, ROUNDING } from '../units'
import { MIXES, type MixRule } from '../catalogue/products/mixes'
import type { ProductKind } from '../catalogue/kinds'
import type { SkinType } from '../catalogue/skin/conditions'

export interface Mix {
  rule: MixRule
  /** Scoops of powder, and of liquid by the same scoop, in quarters. */ powder: number
  liquid: number
  /** What the liquid is, by how oily the skin is. */ of: string
}

/**
 * How much to mix so that the finished paste covers what is wanted: parts by volume, quarter
 * scoops, waste included.
 * Water for oily skin, half and half for balanced, mostly milk (or a plant milk where milk is not
 * borne) for dry.
 * @param millilitres of finished paste @param scoop millilitres of one level scoop
 * @returns undefined for a kind that is not mixed
 * @throws RangeError for a scoop or an amount that is not above zero
 */
export function mixFor(
  kind: ProductKind,
  millilitres: number,
  scoop: number,
  type: SkinType,
  milkBorne: boolean,
): Mix | undefined {
  const rule = MIXES.find((made) => made.kind === kind)
  if (!rule) return undefined
  if (!(millilitres > 0) || !(scoop > 0)) throw new RangeError('amounts must be above zero mL')
  const wanted = millilitres + percentOf(millilitres, WASTE_PERCENT)
  const part = MEASURE_PARTS.scoop
  const scoops = wanted / (1 + rule.liquidParts) / scoop
  const powder = Math.max(part, Math.ceil(scoops / part - ROUNDING) * part)
  return {
    rule,
    powder,
    liquid: powder * rule.liquidParts,
    of: rule.liquid ?? liquidFor(type, milkBorne),
  }
}

function liquidFor(type: SkinType, milkBorne: boolean): string {
  if (!milkBorne || type === 'oily') return 'water'
  return type === 'dry' ? 'mostly milk' : 'half water, half milk'
}
