import { CURVE, LENGTHS } from '../../catalogue/rules/value'
import { SCHOOL_IDS, SCHOOLS } from '../../catalogue/schools/schools'
import type { TechniqueId } from '../../catalogue/techniques/techniques'
import { shortName, tellsApart } from '../../catalogue/techniques/traits'
import type { PlanStep } from '../../catalogue/techniques/step'
import { dwellWindow, schedule } from '../../timing/schedule'
import type { PlanInput } from '../input'
import { propose } from './propose'

/**
 * What a plan would be under other terms, in its main steps. `value` compares only within one
 * school.
 */
interface Alternative {
  name: string
  minutes: number
  value: number
  failed?: string
  mains: readonly { technique: TechniqueId; name: string; minutes: number }[]
}
export interface Comparison {
  curve: readonly { slot: number; value: number | null }[]
  lengths: readonly Alternative[]
  schools: readonly Alternative[]
}

function under(input: PlanInput, name: string): Alternative {
  const proposal = propose(input)
  const skin = onSkin(proposal.steps)
  return {
    name,
    minutes: proposal.minutes,
    value: proposal.value,
    ...(proposal.failed ? { failed: proposal.failed.text } : {}),
    mains: proposal.steps
      .filter((step) => tellsApart(step.technique))
      .map((step) => ({
        technique: step.technique,
        name: shortName(step),
        minutes: skin.get(step.key) ?? step.minutes,
      })),
  }
}

/** Minutes on the skin of what rests, by key. */
const onSkin = (steps: readonly PlanStep[]): Map<string, number> =>
  new Map(
    schedule(steps, (step) => dwellWindow(step, () => false)).resting.map((resting) => [
      resting.key,
      resting.end - resting.start,
    ]),
  )

interface MainChange {
  technique: TechniqueId
  name: string
  was: number | null
  is: number | null
}
/**
 * Two plans side by side in their main steps: minutes then and now, null where a plan has none of
 * it. In the order of the later plan; what is gone comes last.
 */
export function changedMains(before: readonly PlanStep[], now: readonly PlanStep[]): MainChange[] {
  const sum = (steps: readonly PlanStep[]) => {
    const skin = onSkin(steps)
    const counts = new Map<TechniqueId, number>()
    for (const step of steps)
      if (tellsApart(step.technique))
        counts.set(
          step.technique,
          (counts.get(step.technique) ?? 0) + (skin.get(step.key) ?? step.minutes),
        )
    return counts
  }
  const was = sum(before)
  const is = sum(now)
  return [...new Set([...is.keys(), ...was.keys()])].map((technique) => ({
    technique,
    name: shortName(technique),
    was: was.get(technique) ?? null,
    is: is.get(technique) ?? null,
  }))
}

/**
 * The same client and day at three lengths and in the four schools, and what more minutes would
 * bring.
 * Each is a full plan of its own: exact, not scaled from another.
 */
export function compare(input: PlanInput): Comparison {
  const curve: { slot: number; value: number | null }[] = []
  for (let slot = CURVE.from; slot <= CURVE.to; slot += CURVE.step) {
    const proposal = propose({ ...input, slotMinutes: slot })
    curve.push({ slot, value: proposal.failed ? null : proposal.value })
  }
  return {
    curve,
    lengths: LENGTHS.map((length) => under({ ...input, slotMinutes: length.slot }, length.name)),
    schools: SCHOOL_IDS.map((school) => under({ ...input, school }, SCHOOLS[school].name)),
  }
}
