import { CONCERN_NAMES, type ConcernId } from '../../catalogue/kinds'
import { INTENTIONS, WORKING_STAGES } from '../../catalogue/rules/intentions'
import { phaseRank, PHASES, type PhaseId } from '../../catalogue/techniques/phases'
import type { PlanStep } from '../../catalogue/techniques/step'
import { TECHNIQUES, type TechniqueId } from '../../catalogue/techniques/techniques'
import { fillsHands, hasPlace, isMain } from '../../catalogue/techniques/traits'
import { GROUPS } from '../../face/regions'
import { REGION_IDS, type RegionId } from '../../face/zones'
import { whereShown } from '../today/whereShown'
import { howMany, intentionsOf, type Intended } from '../agenda/intentions'
import type { PlanInput } from '../input'
import { isLink } from '../steps/link'

/** What a visit is for, as it stands at the head of the plan. */
export interface ForWhat extends Intended {
  name: string
  /** Who says so, and where the skin shows it. */
  words: string
  /** Where the plan works for it. */
  regions: readonly RegionId[]
  /** Nothing in the plan works for it: said, not hidden. */
  idle: boolean
}

/** One part of the visit and its steps, in order. */
export interface PhaseOfPlan {
  id: PhaseId
  name: string
  /** Hands-on minutes. */
  minutes: number
  /** Place of its first step in the plan. */
  first: number
  steps: readonly { step: PlanStep; matters: boolean; intention: number | undefined }[]
}

export interface Composed {
  intentions: readonly ForWhat[]
  /** Asked for as well, and more than this length carries. */
  later: readonly ConcernId[]
  phases: readonly PhaseOfPlan[]
}

/** A plan as a visit: what it is for, and its four parts with the steps that matter. */
export function composedOf(input: PlanInput, steps: readonly PlanStep[]): Composed {
  const intended = intentionsOf(input)
  const placeOf = (step: PlanStep) => intentionOf(step.technique, intended)
  const intentions = intended.map((own, place): ForWhat => {
    const worked = steps.filter((step) => placeOf(step) === place)
    return {
      ...own,
      name: CONCERN_NAMES[own.id],
      words: [SAID[own.by], whereShown(own.id, input.profile, GROUPS.face)]
        .filter(Boolean)
        .join(' · '),
      regions: REGION_IDS.filter((id) => worked.some(({ regions }) => regions.includes(id))),
      idle: worked.length === 0,
    }
  })
  return {
    intentions,
    later: [...new Set(input.aims)].slice(howMany(input.slotMinutes)),
    phases: phasesOf(steps, placeOf),
  }
}

const SAID: Readonly<Record<Intended['by'], string>> = {
  client: 'asked for',
  reading: 'read',
  nobody: 'no wish was named',
}

/** Which of today's intentions works with a technique; undefined where none does. */
export function intentionOf(id: TechniqueId, intended: readonly Intended[]): number | undefined {
  if (!matters(id)) return undefined
  const place = intended.findIndex((own) =>
    INTENTIONS[own.id].lines.some(({ workers }) => workers.includes(id)),
  )
  return place < 0 ? undefined : place
}

/** What tells this visit from another; all else opens, closes and connects every visit. */
const matters = (id: TechniqueId): boolean =>
  (isMain(id) && WORKING_STAGES.includes(TECHNIQUES[id].stage)) || fillsHands(id)

function phasesOf(
  steps: readonly PlanStep[],
  placeOf: (step: PlanStep) => number | undefined,
): PhaseOfPlan[] {
  const ranks = ranksOf(steps)
  return PHASES.flatMap(({ id, name }, rank): PhaseOfPlan[] => {
    const first = ranks.indexOf(rank)
    if (first < 0) return []
    const own = steps.filter((_, i) => ranks[i] === rank)
    return [
      {
        id,
        name,
        minutes: own.reduce((sum, step) => sum + step.minutes, 0),
        first,
        steps: own.map((step) => ({
          step,
          matters: matters(step.technique),
          intention: placeOf(step),
        })),
      },
    ]
  })
}

/** The part of the visit of each step: never before the one before it; a link goes with the next. */
function ranksOf(steps: readonly PlanStep[]): number[] {
  const out: number[] = []
  let least = 0
  for (const step of steps) {
    if (hasPlace(step.technique) && !isLink(step))
      least = Math.max(least, phaseRank(step.technique))
    out.push(least)
  }
  for (let i = steps.length - 2; i >= 0; i--) {
    const step = steps[i]
    if (step && isLink(step)) out[i] = out[i + 1] ?? least
  }
  return out
}
