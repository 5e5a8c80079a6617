import { STAGE_IDS } from '../../catalogue/kinds'
import type { PlanStep } from '../../catalogue/techniques/step'
import { TECHNIQUES } from '../../catalogue/techniques/techniques'
import type { TechniqueId } from '../../catalogue/techniques/technique'
import { freshStep } from '../today/fresh'
import type { PlanInput } from '../input'
import { canPin } from '../question/pins'
import { finding, type Checking, type PlanFinding } from './finding'

const FLOOR: readonly {
  rule: string
  any: readonly TechniqueId[]
  first: TechniqueId
  when?: (i: PlanInput) => boolean
}[] = [
  { rule: 'must-settle', any: ['settle'], first: 'settle' },
  { rule: 'must-eyes', any: ['eyesOff'], first: 'eyesOff', when: (i) => i.madeUp },
  { rule: 'must-surface', any: ['milk'], first: 'milk' },
  { rule: 'must-read', any: ['secondReading'], first: 'secondReading' },
  { rule: 'must-deep', any: ['secondCleanse', 'oilCleanse'], first: 'secondCleanse' },
  { rule: 'must-moisturise', any: ['moisturiser'], first: 'moisturiser' },
  { rule: 'must-sun', any: ['sunProtection'], first: 'sunProtection', when: (i) => i.daylight },
  { rule: 'must-close', any: ['close'], first: 'close' },
]

/** What every visit needs and this plan lacks. */
export function floorFindings({ input, steps, rules }: Checking): PlanFinding[] {
  return FLOOR.flatMap((f) => {
    if ((f.when && !f.when(input)) || steps.some((s) => f.any.includes(s.technique))) return []
    const step = freshStep(f.first, input)
    return finding(rules, f.rule, undefined, {
      mends: step
        ? [
            {
              label: `Add ${TECHNIQUES[f.first].name.toLowerCase()}`,
              minutes: step.minutes,
              edits: [{ do: 'insert', before: placeFor(f.first, steps), step }],
            },
          ]
        : [],
    })
  })
}

/** Where a technique usually stands: before the first step that comes later in the usual order. */
export function placeFor(technique: TechniqueId, steps: readonly PlanStep[]): string | null {
  const rank = (t: TechniqueId) =>
    canPin(t) && t !== 'mist' && t !== 'tone' ? STAGE_IDS.indexOf(TECHNIQUES[t].stage) : -1
  return (
    steps.find((s) => rank(s.technique) > STAGE_IDS.indexOf(TECHNIQUES[technique].stage))?.key ??
    null
  )
}
