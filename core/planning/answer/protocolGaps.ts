import type { PlanStep, ProtocolStep, Why } from '../../catalogue/techniques/step'
import { TECHNIQUES, type TechniqueId } from '../../catalogue/techniques/techniques'
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
  const missing = protocol.filter((p) => !steps.some((s) => s.technique === p.technique))
  if (missing.length === 0) return []
  const { protocol: _, ...free } = input
  const priced = leftOut(
    free,
    steps,
    missing.map((m) => m.technique),
  )
  return missing.map((m) => ({
    technique: m.technique,
    name: TECHNIQUES[m.technique].name,
    why: priced.find((l) => l.technique === m.technique)?.why ?? {
      rule: 'protocol',
      text: 'not possible with the rest of it',
    },
  }))
}
