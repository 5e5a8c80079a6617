import { takeOff } from '../catalogue/consultation/makeUp'
import { methodOf } from '../catalogue/schools/schools'
import type { CostId } from '../catalogue/rules/costs'
import { REMOVAL_LINEN, type TrayRule } from '../catalogue/techniques/linen'
import type { PlanStep } from '../catalogue/techniques/step'
import { TECHNIQUES } from '../catalogue/techniques/techniques'
import type { PlanInput } from '../planning/input'
import { spotRegions } from '../planning/today/adapt'

type Laid = Pick<TrayRule, 'item' | 'costs'>
export interface Linen {
  name: string
  count: number
  /** What one of it costs the house, where it is used up or washed. */
  costs?: CostId
}

/**
 * A house that takes off with pads or sponges lays those out instead of cloths; spots get pads,
 * used once.
 * @param spatulas how many jars are opened
 */
export function linenFor(
  input: PlanInput,
  steps: readonly PlanStep[],
  spatulas: number,
  rules: readonly TrayRule[],
): Linen[] {
  const sum = (what: 'cloths' | 'pads') =>
    steps.reduce((count, step) => count + (TECHNIQUES[step.technique].linen?.[what] ?? 0), 0)
  const forEyes = steps.some((step) => TECHNIQUES[step.technique].stage === 'eyesOff')
    ? takeOff(input.makeUp).eyePads
    : 0
  const { linen: way } = methodOf(input.school, input.policy).camps.removal
  const spotted = spotRegions(input.profile).length > 0
  const off = sum('cloths')
  const { cloths, sponges, pads, spatula } = REMOVAL_LINEN
  const padsForOff = way === 'pads' || spotted ? off * pads.perCloth : 0
  const things: [Laid, number][] = [
    [cloths, way === 'cloths' && !spotted ? off : 0],
    [sponges, way === 'sponges' && !spotted ? sponges.each : 0],
    [pads, sum('pads') + forEyes + padsForOff],
    ...rules.map((rule): [Laid, number] => [rule, countOf(rule, steps)]),
    [spatula, spatulas],
  ]
  return things.flatMap(
    ([
      {
        item: [one, several],
        costs,
      },
      count,
    ]) =>
      count > 0 ? [{ name: count === 1 ? one : several, count, ...(costs ? { costs } : {}) }] : [],
  )
}

function countOf(rule: TrayRule, steps: readonly PlanStep[]): number {
  const laid = steps.filter((step) => TECHNIQUES[step.technique].lays?.includes(rule.id)).length
  if (laid === 0) return 0
  return rule.per === 'visit' ? rule.count : rule.count * laid
}
