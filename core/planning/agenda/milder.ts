import type { FamilyId, ProductKind } from '../../catalogue/kinds'
import { WORKING_STAGES } from '../../catalogue/rules/intentions'
import { ASKED_ONLY, STRESSES, type StressId } from '../../catalogue/rules/stresses'
import type { Product } from '../../catalogue/products/products'
import { techniqueToday, type WaysToday } from '../../catalogue/techniques/ownWay'
import type { Technique, TechniqueId } from '../../catalogue/techniques/techniques'
import { isMain } from '../../catalogue/techniques/traits'
import { bottleRateOf } from '../../dosing/bottleRate'
import { freeAcidOf } from '../../dosing/freeAcid'
import type { RegionId } from '../../face/zones'
import { loadOn } from '../../load/loads'
import { once, oncePer } from '../../once'
import type { PlanInput } from '../input'
import { restsInHouse } from './restsInHouse'

/** What a bottle asks of the skin by itself: its free acid, and what it pours beside the technique. */
export const poursOf = oncePer((product: Product) => ({
  freeAcid: freeAcidOf(product),
  bottleRate: bottleRateOf(product),
}))
/** What of a bottle works by itself on the skin. */
export const activeIn = (product: Product): number => {
  const { freeAcid, bottleRate } = poursOf(product)
  return freeAcid + bottleRate
}

/** The weakest bottle of a kind that stands in the house, whoever may have it. */
export function weakestActive(
  { product: kind }: Pick<Technique, 'product'>,
  { shelf, today }: Pick<PlanInput, 'shelf' | 'today'>,
): Product | undefined {
  return kind && inDate(shelf)(today).get(kind)?.[0]
}
/** What stands there in date, of each kind the weakest first. */
const inDate = oncePer((shelf: PlanInput['shelf']) =>
  once((today: string) => {
    const kinds = new Map<ProductKind, Product[]>()
    for (const { product, lots } of shelf)
      if (lots.some(({ expires }) => expires >= today))
        kinds.set(product.kind, [...(kinds.get(product.kind) ?? []), product])
    for (const own of kinds.values()) own.sort((one, other) => activeIn(one) - activeIn(other))
    return kinds
  }),
)

/** What of a visit says how a house does its work. */
type OfHouse = Pick<PlanInput, 'shelf' | 'today' | keyof WaysToday>
const REFERENCE: RegionId = 'forehead'
/**
 * What a technique asks of the reference zone at the most that it is planned with, hundredths.
 * @param standIn in the place of another it comes off at the short end of its window
 */
function usualLoad(id: TechniqueId, input: OfHouse, standIn: boolean): number {
  const technique = techniqueToday(id, input)
  const { minutes, passes, setting } = technique
  const dwell = restsInHouse(id, input)
  const bottle = weakestActive(technique, input)
  return loadOn(REFERENCE, technique, {
    handsMinutes: minutes.usual ?? minutes.choices[minutes.choices.length - 1] ?? minutes.most,
    dwellMinutes: (standIn ? dwell?.sensitive.latest : dwell?.latest) ?? 0,
    passes: passes?.usual ?? 0,
    ...(setting ? { setting: setting.start } : {}),
    ...(bottle ? poursOf(bottle) : {}),
  })
}

const has = ({ families }: Pick<Technique, 'families'>, own: readonly FamilyId[]): boolean =>
  families.some((family) => own.includes(family))

/**
 * Whether one technique may stand in for another: of the same or a lower rung, no more load, and
 * nothing that the other does not do to the skin as well.
 * @param thanStandsIn the other stands in for something stronger itself
 */
export function isMilder(
  id: TechniqueId,
  than: TechniqueId,
  input: OfHouse,
  thanStandsIn: boolean,
): boolean {
  const [one, other] = [techniqueToday(id, input), techniqueToday(than, input)]
  const none = (Object.keys(STRESSES) as StressId[]).every(
    (stress) => !has(one, STRESSES[stress]) || has(other, STRESSES[stress]),
  )
  return (
    none &&
    (one.rung ?? 0) <= (other.rung ?? 0) &&
    usualLoad(id, input, true) <= usualLoad(than, input, thanStandsIn)
  )
}

/**
 * A worker, and what may stand in for it one after the other, each milder than the one before; of two
 * that may, the one that does more first.
 */
export function ladderOf(
  chosen: TechniqueId,
  others: readonly TechniqueId[],
  input: OfHouse,
): [TechniqueId, ...TechniqueId[]] {
  const ladder: [TechniqueId, ...TechniqueId[]] = [chosen]
  const milder = others
    .filter((id) => isMilder(id, chosen, input, false))
    .sort((one, other) => usualLoad(other, input, true) - usualLoad(one, input, true))
  for (const id of milder) {
    const last = ladder[ladder.length - 1] ?? chosen
    if (isMilder(id, last, input, ladder.length > 1)) ladder.push(id)
  }
  return ladder
}

const STRESSING = new Set<FamilyId>(Object.values(STRESSES).flat())
/** Work that asks something of the skin: it is done only for an intention. */
export const isWork = ({ id, stage, families, load }: Technique): boolean =>
  isMain(id) &&
  WORKING_STAGES.includes(stage) &&
  (load !== undefined ||
    families.some((family) => STRESSING.has(family) || ASKED_ONLY.includes(family)))
