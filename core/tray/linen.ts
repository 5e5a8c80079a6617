import { takeOff } from '../catalogue/consultation/makeUp'
import { methodOf } from '../catalogue/schools/schools'
import { REMOVAL_LINEN, type Thing, type TrayRule } from '../catalogue/techniques/linen'
import type { PlanStep } from '../catalogue/techniques/step'
import { TECHNIQUES } from '../catalogue/techniques/techniques'
import type { PlanInput } from '../planning/input'
import { spotRegions } from '../planning/today/adapt'

export interface Linen {
  name: string
  count: number
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
  const things: [Thing, number][] = [
    [cloths.item, way === 'cloths' && !spotted ? off : 0],
    [sponges.item, way === 'sponges' && !spotted ? sponges.each : 0],
    [pads.item, sum('pads') + forEyes + padsForOff],
    ...rules.map((rule): [Thing, number] => [rule.item, countOf(rule, steps)]),
    [spatula.item, spatulas],
  ]
  return things.flatMap(([[one, several], count]) =>
    count > 0 ? [{ name: count === 1 ? one : several, count }] : [],
  )
}

function countOf(rule: TrayRule, steps: readonly PlanStep[]): number {
  const laid = steps.filter((step) => TECHNIQUES[step.technique].lays?.includes(rule.id)).length
  if (laid === 0) return 0
  return rule.per === 'visit' ? rule.count : rule.count * laid
}
