import { takeOff } from '../catalogue/consultation/makeUp'
import { productIn } from '../catalogue/products/products'
import { methodOf } from '../catalogue/schools/schools'
import type { CostId } from '../catalogue/rules/costs'
import { REMOVAL_LINEN, type Thing, type TrayRule } from '../catalogue/techniques/linen'
import { REMOVAL_WAYS, wayOffOf } from '../catalogue/techniques/removalWays'
import type { PlanStep } from '../catalogue/techniques/step'
import { techniqueOf } from '../catalogue/techniques/ownWay'
import { shortName } from '../catalogue/techniques/traits'
import type { PlanInput } from '../planning/input'
import { spotRegions } from '../planning/today/adapt'
import { offWhere } from '../timing/schedule'

export interface Linen {
  name: string
  count: number
  /** What one of it costs the house, where it is used up or washed. */
  costs?: CostId
}
type LinenKind = 'cloths' | 'mitts' | 'sponges' | 'pads' | 'tissues'
type Counts = Record<LinenKind, number>
const { cloths, mitts, sponges, pads, tissues, spatula } = REMOVAL_LINEN
const ITEMS = { cloths, mitts, sponges, pads, tissues } as const
const NONE: Counts = { cloths: 0, mitts: 0, sponges: 0, pads: 0, tissues: 0 }

const named = (
  { item: [one, several], costs }: { item: Thing; costs?: CostId },
  count: number,
): Linen[] =>
  count > 0 ? [{ name: count === 1 ? one : several, count, ...(costs ? { costs } : {}) }] : []

/**
 * What one step takes of cloths, pads and tissues: the one count that the room says, the tray lays and
 * the record keeps. Sponges are laid once for the visit; a step only needs them.
 */
export function linenOfStep(input: PlanInput, steps: readonly PlanStep[], place: number): Linen[] {
  const counts = countsOf(input, steps, place)
  return (['cloths', 'mitts', 'pads', 'tissues', 'sponges'] as const).flatMap((kind) =>
    named(ITEMS[kind], counts[kind]),
  )
}

function countsOf(input: PlanInput, steps: readonly PlanStep[], place: number): Counts {
  const step = steps[place]
  if (!step) return NONE
  const { linen = {}, stage, straightAfter } = techniqueOf(step)
  const off = takenOff(input, steps, place)
  const forEyes = stage === 'eyesOff' && !straightAfter ? takeOff(input.makeUp).eyePads : 0
  const wiped = off.masks > 0 ? Math.ceil(off.wipes / cloths.faces) : (linen.cloths ?? 0)
  const own = linen.onlyCloths ? linen.cloths : undefined
  const house = own === undefined ? inHouse(input, step, wiped) : { ...NONE, cloths: own }
  return {
    ...house,
    pads: house.pads + (linen.pads ?? 0) + forEyes,
    tissues: off.tissues,
  }
}

/** The masks that a step takes off, each with the way off of its bottle. */
function waysAt({ shelf }: Pick<PlanInput, 'shelf'>, steps: readonly PlanStep[], place: number) {
  return steps.slice(0, place).flatMap((laid, i) => {
    if (!techniqueOf(laid).dwell || !offWhere(steps, i).has(place)) return []
    const { product } = techniqueOf(laid)
    const row = REMOVAL_WAYS.find(({ kind }) => kind === product)
    const { takes, say } = wayOffOf(productIn(shelf, laid.productId))
    return row ? [{ takes, say, name: shortName(laid), most: row.wipes[1] }] : []
  })
}

/**
 * How the masks of a step come off where their labels leave nothing to a cloth; none where one of them
 * is rinsed: then the hand takes off as it always does.
 */
export function offByLabel(
  input: Pick<PlanInput, 'shelf'>,
  steps: readonly PlanStep[],
  place: number,
): string[] {
  const ways = waysAt(input, steps, place)
  return ways.some(({ takes }) => takes === 'linen')
    ? []
    : ways.map(({ name, say }) => `${name}: ${say}.`)
}

/** Of the masks that a step takes off: how many, wipes that are rinsed for, and tissues. */
function takenOff(
  input: PlanInput,
  steps: readonly PlanStep[],
  place: number,
): { masks: number; wipes: number; tissues: number } {
  const ways = waysAt(input, steps, place)
  return {
    masks: ways.length,
    wipes: ways.reduce((sum, { takes, most }) => sum + (takes === 'linen' ? most : 0), 0),
    tissues: ways.filter(({ takes }) => takes === 'tissues').length * tissues.each,
  }
}

/** So many cloths as this house has them: pads or sponges instead, and pads where the skin has spots. */
function inHouse(
  { school, policy, profile }: PlanInput,
  { regions }: PlanStep,
  wanted: number,
): Counts {
  if (wanted === 0) return NONE
  const { linen: way } = methodOf(school, policy).camps.removal
  const most = wanted * pads.perCloth
  if (way === 'pads') return { ...NONE, pads: most }
  const spots = spotRegions(profile).filter((region) => regions.includes(region))
  if (spots.length > 0 && spots.length === regions.length) return { ...NONE, pads: most }
  const onSpots = Math.min(most, spots.length * pads.perSpot)
  if (way === 'sponges') return { ...NONE, sponges: sponges.each, pads: onSpots }
  // A warm one takes off, a cooler one closes.
  if (way === 'mitts') return { ...NONE, mitts: wanted + mitts.closing, pads: onSpots }
  return { ...NONE, cloths: wanted, pads: onSpots }
}

/**
 * Everything of cloths, pads, tissues and what else lies there for the steps of a visit, each once.
 * @param spatulas how many jars are opened
 */
export function linenFor(
  input: PlanInput,
  steps: readonly PlanStep[],
  spatulas: number,
  rules: readonly TrayRule[],
): Linen[] {
  const each = steps.map((_, place) => countsOf(input, steps, place))
  const sum = (kind: LinenKind) => each.reduce((count, counts) => count + counts[kind], 0)
  return [
    ...named(cloths, sum('cloths')),
    ...named(mitts, sum('mitts')),
    ...named(sponges, Math.max(0, ...each.map((counts) => counts.sponges))),
    ...named(pads, sum('pads')),
    ...named(tissues, sum('tissues')),
    ...rules.flatMap((rule) => named(rule, countOf(rule, steps))),
    ...named(spatula, spatulas),
  ]
}

/** "1 fresh cloth, 2 cotton pads". */
export const linenWords = (linen: readonly Linen[]): string =>
  linen.map(({ name, count }) => `${count} ${name}`).join(', ')

function countOf(rule: TrayRule, steps: readonly PlanStep[]): number {
  const laid = steps.filter((step) => techniqueOf(step).lays?.includes(rule.id)).length
  if (laid === 0) return 0
  return rule.per === 'visit' ? rule.count : rule.count * laid
}
