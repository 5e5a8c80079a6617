import type { PlanStep } from '../../catalogue/techniques/step'
import { freeAcidOf } from '../../dosing/freeAcid'
import { TECHNIQUES } from '../../catalogue/techniques/techniques'
import { REGION_IDS, type RegionId } from '../../face/zones'
import { HEATED, loadOn } from '../../load/loads'
import {
  applyTechnique,
  startSurface,
  unmetNeeds,
  type Surface,
  type Unmet,
} from '../../surface/surface'
import { dwellWindow, schedule, type Schedule } from '../../timing/schedule'
import { shortDwell, takesOffSkin } from '../today/adapt'
import type { PlanInput } from '../input'
import { toTicks } from '../../units'

export interface StepState {
  before: Surface
  after: Surface
  unmet: readonly Unmet[]
  loads: Readonly<Record<RegionId, number>>
}

/** A plan walked through surface, load and clock, step by step; nothing is judged here. */
export interface Trace {
  start: Surface
  states: readonly StepState[]
  schedule: Schedule
  /** What is in each basin at the end, with what was there before. */
  totals: Readonly<Record<RegionId, number>>
  exfoliations: readonly string[]
}

/** Free acid in the bottle of a step, per cent. */
function acidIn(input: PlanInput, { productId }: PlanStep): number {
  const bottle = input.shelf.find((item) => item.product.id === productId)?.product
  return bottle ? freeAcidOf(bottle) : 0
}

export function trace(input: PlanInput, steps: readonly PlanStep[]): Trace {
  const start = startSurface(input.makeUp.length > 0)
  const short = shortDwell(input, steps)
  const times = schedule(steps, (step) => dwellWindow(step, short(step)))
  const totals = { ...input.residual }
  const states: StepState[] = []
  let surface = start
  for (const step of steps) {
    const technique = TECHNIQUES[step.technique]
    const before = surface
    const rest = times.resting.find((resting) => resting.key === step.key)
    const loads = Object.fromEntries(
      REGION_IDS.map((region) => [
        region,
        !step.regions.includes(region)
          ? 0
          : loadOn(
              region,
              technique,
              {
                handsMinutes: step.minutes,
                dwellMinutes: rest ? Math.max(0, rest.end - rest.start) : 0,
                passes: step.passes ?? 0,
                freeAcid: acidIn(input, step),
                setting: step.setting ?? technique.setting?.start ?? 0,
              },
              before[region].warmth === 'warm' ? HEATED : 100,
            ),
      ]),
    ) as Record<RegionId, number>
    for (const region of REGION_IDS) totals[region] += loads[region]
    surface = applyTechnique(before, technique, step.regions, toTicks(step.minutes))
    states.push({
      before,
      after: surface,
      unmet: unmetNeeds(before, technique, step.regions),
      loads,
    })
  }
  const exfoliations = steps.filter((step) => takesOffSkin(input, step)).map((step) => step.key)
  return { start, states, schedule: times, totals, exfoliations }
}
