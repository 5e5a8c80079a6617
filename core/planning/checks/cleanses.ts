import { CLEANSE_AGAIN } from '../../catalogue/techniques/roles'
import { takeOff } from '../../catalogue/consultation/makeUp'
import type { PlanStep } from '../../catalogue/techniques/step'
import { TECHNIQUES } from '../../catalogue/techniques/techniques'
import { freshStep } from '../today/fresh'
import { finding, type Checking, type PlanFinding } from './finding'

const cleanses = ({ technique }: PlanStep): boolean => TECHNIQUES[technique].stage === 'deepCleanse'

/** What is worn takes more cleanses after the milk than the plan has; none at all is the floor's. */
export function cleanseFindings({ input, steps, rules }: Checking): PlanFinding[] {
  const asked = takeOff(input.makeUp).cleanses
  const own = steps.filter(cleanses)
  const last = own[own.length - 1]
  if (!last || own.length >= asked) return []
  const gel = freshStep(CLEANSE_AGAIN, input)
  const { name, minutes } = TECHNIQUES[CLEANSE_AGAIN]
  const before = steps[steps.indexOf(last) + 1]?.key ?? null
  const step = gel && { ...gel, minutes: minutes.least }
  const mends = step
    ? [
        {
          label: `Add ${name.toLowerCase()}`,
          minutes: step.minutes,
          edits: [{ do: 'insert' as const, before, step }],
        },
      ]
    : []
  return finding(rules, 'cleanse-layers', undefined, { key: last.key, mends })
}
