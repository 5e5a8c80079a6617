import { takeOff } from '../../catalogue/consultation/makeUp'
import type { PlanStep } from '../../catalogue/techniques/step'
import { TECHNIQUES } from '../../catalogue/techniques/techniques'
import { withCleanse } from '../answer/moreCleansing'
import { finding, type Checking, type PlanFinding } from './finding'

const cleanses = ({ technique }: PlanStep): boolean => TECHNIQUES[technique].stage === 'deepCleanse'

/** What is worn takes more cleanses after the milk than the plan has; none at all is the floor's. */
export function cleanseFindings({ input, steps, rules }: Checking): PlanFinding[] {
  const asked = takeOff(input.makeUp).cleanses
  const own = steps.filter(cleanses)
  const last = own[own.length - 1]
  if (!last || own.length >= asked) return []
  const mended = withCleanse(steps, last.key, input)
  const at = mended.findIndex(({ key }) => key === last.key) + 1
  const step = mended[at]
  const before = mended[at + 1]?.key ?? null
  return finding(rules, 'cleanse-layers', undefined, {
    key: last.key,
    mends:
      step && mended.length > steps.length
        ? [
            {
              label: `Add ${TECHNIQUES[step.technique].name.toLowerCase()}`,
              minutes: step.minutes,
              edits: [{ do: 'insert', before, step }],
            },
          ]
        : [],
  })
}
