import type { PlanStep } from '../../catalogue/techniques/step'
import { techniqueOf } from '../../catalogue/techniques/ownWay'
import { meet } from '../../face/sides'
import { TECHNIQUES } from '../../catalogue/techniques/techniques'
import { removalMinutes, removalOf, takesOff } from '../../timing/removal'
import { freshKey } from '../steps/edit'

/**
 * What of a running plan a new one may not touch: what is done, and the steps still to come until
 * everything that rests on the skin, and whatever is laid before it is off, has come off its own
 * way. Nothing goes over what rests, and nothing takes it off before its time.
 * @param plan the plan that runs
 * @param done steps of it that were done
 * @param resting keys of what lies on the skin now
 * @param atHand what is under way: it goes on as it is
 */
export function untouchable(
  plan: readonly PlanStep[],
  done: readonly PlanStep[],
  resting: readonly string[],
  atHand?: PlanStep,
): PlanStep[] {
  const stands = atHand ? [...done, atHand] : [...done]
  const ended = new Set(stands.map((step) => step.key))
  const coming = plan.filter((step) => !ended.has(step.key))
  const lays = (step: PlanStep) =>
    resting.includes(step.key) || (step === atHand && techniqueOf(step).dwell)
  const laid = stands.filter(lays)
  const offAt = laid.map((step) => coming.findIndex((later) => lifts(later, step)))
  let end = Math.max(-1, ...offAt) + 1
  // What is laid on the way there comes off its own way too: a second mask is not left lying.
  for (let at = 0; at < end; at++) {
    const step = coming[at]
    if (!step || techniqueOf(step).dwell === undefined) continue
    const off = coming.findIndex((later, place) => place > at && lifts(later, step))
    end = Math.max(end, off + 1)
  }
  const kept: PlanStep[] = [...stands, ...coming.slice(0, end)]
  laid.forEach((step, i) => {
    if (offAt[i] === -1) kept.push(removal(step, kept))
  })
  return kept
}

const lifts = (later: PlanStep, step: PlanStep): boolean =>
  takesOff(later.technique, step.technique) && meet(later, step)

/** What takes a step's product off, where no step of the plan does. */
function removal({ technique, regions }: PlanStep, steps: readonly PlanStep[]): PlanStep {
  const off = removalOf(technique)
  return {
    key: freshKey(steps, off),
    technique: off,
    minutes: removalMinutes(technique, regions),
    regions,
    why: [{ rule: 'rests', text: `takes off: ${TECHNIQUES[technique].name.toLowerCase()}` }],
  }
}
