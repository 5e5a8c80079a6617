import type { PlanStep } from '../catalogue/techniques/step'
import { TECHNIQUES } from '../catalogue/techniques/techniques'
import { exfoliates } from '../catalogue/techniques/traits'
import { dwellWindow, schedule } from './schedule'

/** What a stretch of a plan is, at a glance: hands, something that works on the skin, a device, rest. */
export type StripKind = 'hands' | 'works' | 'device' | 'rests'
export interface StripPart {
  kind: StripKind
  minutes: number
}

/** A plan folded small: its minutes in order, each by what they are; like beside like is one. */
export function stripParts(steps: readonly PlanStep[]): StripPart[] {
  const { steps: times, resting } = schedule(steps, (step) => dwellWindow(step, () => false))
  const out: StripPart[] = []
  steps.forEach((step, at) => {
    const time = times[at]
    if (!time) return
    const rests = resting.some(({ start, end }) => start <= time.start && time.end <= end)
    const kind = kindOf(step, rests)
    const last = out.at(-1)
    if (last?.kind === kind) last.minutes += step.minutes
    else out.push({ kind, minutes: step.minutes })
  })
  return out
}

function kindOf({ technique }: PlanStep, rests: boolean): StripKind {
  if (exfoliates(technique)) return 'works'
  if (TECHNIQUES[technique].device) return 'device'
  return rests ? 'rests' : 'hands'
}
