import type { PlanStep, ProtocolStep, Why } from '../../catalogue/techniques/step'
import { techniqueOf } from '../../catalogue/techniques/ownWay'
import type { TechniqueId } from '../../catalogue/techniques/techniques'
import type { PlanInput } from '../input'
import { leftOut } from './leftOut'

export interface NotTaken {
  technique: TechniqueId
  name: string
  why: Why
}
/** What a protocol names and this plan could not have, each with its reason. */
export function notTaken(
  input: PlanInput,
  steps: readonly PlanStep[],
  protocol: readonly ProtocolStep[],
): NotTaken[] {
  const missing = protocol.filter(
    (step) => !steps.some((taken) => taken.technique === step.technique),
  )
  if (missing.length === 0) return []
  const { protocol: _, ...free } = input
  const priced = leftOut(
    free,
    steps,
    missing.map((step) => step.technique),
  )
  return missing.map((step) => ({
    technique: step.technique,
    name: techniqueOf(step).name,
    why: priced.find((leftOut) => leftOut.technique === step.technique)?.why ?? {
      rule: 'protocol',
      text: 'not possible with the rest of the plan',
    },
  }))
}
