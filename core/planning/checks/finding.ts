import { ORDER_RULES, type OrderRule } from '../../catalogue/rules/orderRules'
import type { Strength } from '../../catalogue/kinds'
import type { PlanStep, Why } from '../../catalogue/techniques/step'
import { techniqueOf } from '../../catalogue/techniques/ownWay'
import type { RegionId } from '../../face/zones'
import type { Tolerance } from '../../load/tolerance'
import type { AllowStep } from '../today/allowance'
import type { Edit } from '../steps/edit'
import type { PlanInput } from '../input'
import type { Trace } from '../steps/trace'

export interface Mend {
  label: string
  minutes: number
  edits: readonly Edit[]
}
export interface PlanFinding {
  rule: string
  strength: Strength
  locked: boolean
  key?: string
  regions: readonly RegionId[]
  text: string
  source: string
  mends: readonly Mend[]
}
export type Rules = ReadonlyMap<string, OrderRule>

/** Everything a check looks at: the plan walked once, and what each technique may do today. */
export interface Checking {
  input: PlanInput
  steps: readonly PlanStep[]
  walked: Trace
  tolerances: Readonly<Record<RegionId, Tolerance>>
  allow: AllowStep
  /** The rows that are worked with; all of them but in a check of single rows. */
  rules: Rules
}
interface Parts {
  key?: string
  regions?: readonly RegionId[]
  mends?: readonly Mend[]
  why?: Why
}

/**
 * A finding of one row, or none where that row is not worked with. `text` stands in for the row's
 * own sentence.
 */
export function finding(
  rules: Rules,
  rule: string,
  text: string | undefined,
  parts: Parts,
): PlanFinding[] {
  const row = rules.get(rule)
  if (!row) {
    if (!ORDER_RULES.has(rule)) throw new RangeError(`no such rule: ${rule}`)
    return []
  }
  return [
    {
      rule: parts.why?.rule ?? rule,
      strength: row.strength,
      locked: row.locked,
      regions: parts.regions ?? [],
      text: text ?? row.sentence,
      source: row.source,
      mends: parts.mends ?? [],
      ...(parts.key === undefined ? {} : { key: parts.key }),
    },
  ]
}
/** The mend that takes a step out. */
export const remove = (step: PlanStep): Mend => ({
  label: `Remove ${techniqueOf(step).name.toLowerCase()}`,
  minutes: -step.minutes,
  edits: [{ do: 'remove', key: step.key }],
})
