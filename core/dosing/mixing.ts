import { MIXES, type MixRule } from '../catalogue/products/mixes'
import type { ProductKind } from '../catalogue/kinds'
import type { SkinType } from '../catalogue/skin/conditions'

/** What stays in bowl and brush, per cent. Common practice. */
const WASTE_PERCENT = 10

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
  const wanted = millilitres * (1 + WASTE_PERCENT / 100)
  const powder = Math.max(0.25, Math.ceil((wanted / (1 + rule.liquidParts) / scoop) * 4 - 1e-9) / 4)
  return {
    rule,
    powder,
    liquid: powder * rule.liquidParts,
    of: rule.kind === 'hardeningPowder' ? 'activator' : liquidFor(type, milkBorne),
  }
}

function liquidFor(type: SkinType, milkBorne: boolean): string {
  if (!milkBorne || type === 'oily') return 'water'
  return type === 'dry' ? 'mostly milk' : 'half water, half milk'
}
