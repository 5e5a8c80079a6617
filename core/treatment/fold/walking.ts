import { meet } from '../../face/sides'
import type { PlanStep } from '../../catalogue/techniques/step'
import type { TechniqueId } from '../../catalogue/techniques/techniques'
import { takesOff } from '../../timing/removal'
import { withoutLeft } from '../stop/leftZones'
import { endedKeys, momentsOf, placeOfMoment, type Moment } from '../order/moments'
import type { Draft, FoldContext } from './roomState'

/** Of the step at hand: when it began, and how long it was held so far. */
export interface Clock {
  began: number
  heldInStep: number
}

/** Milliseconds that the step at hand has run at a moment, holds taken out. */
export const ranAt = (draft: Draft, { began, heldInStep }: Clock, at: number): number =>
  Math.max(0, (draft.heldSince ?? at) - began - heldInStep)

/** A step by its key: of the plan that is worked by, or else of any version. */
export const findStep = (draft: Draft, context: FoldContext, key: string): PlanStep | undefined =>
  (context.plans[draft.version] ?? []).find((plan) => plan.key === key) ??
  Object.values(context.plans)
    .flat()
    .find((plan) => plan.key === key)

/** The technique of a step that a tap names; nothing where there is no such step. */
export const techniqueAt = (
  draft: Draft,
  context: FoldContext,
  key: string,
): TechniqueId | undefined => findStep(draft, context, key)?.technique

/** What is still to come of the plan that is worked by, without the zones that are left. */
function stillToCome(draft: Draft, context: FoldContext): PlanStep[] {
  const ended = endedKeys(draft)
  return (context.plans[draft.version] ?? []).flatMap((step) =>
    ended.has(step.key) ? [] : (withoutLeft(step, draft.left, context.familiesOf) ?? []),
  )
}

/** What comes next: first whatever takes off what stings, then the plan in its order. */
export function nextStep(draft: Draft, context: FoldContext): PlanStep | undefined {
  const coming = stillToCome(draft, context)
  const stings = draft.resting.filter((own) => own.endedAt === undefined && own.comesOffFirst)
  const off = stings.flatMap((own) => {
    const laid = techniqueAt(draft, context, own.key)
    const lifts = (step: PlanStep) =>
      laid !== undefined && takesOff(step.technique, laid) && meet(step, own)
    return coming.find(lifts) ?? []
  })
  return off[0] ?? coming[0]
}

/** What is on screen now: the step that comes next with the ticks that lead up to it. */
export function momentNow(draft: Draft, context: FoldContext): Moment | undefined {
  const next = nextStep(draft, context)
  if (!next) return undefined
  const moments = momentsOf(stillToCome(draft, context))
  return moments[placeOfMoment(moments, next.key)]
}
