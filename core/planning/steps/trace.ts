import type { PlanStep } from '../../catalogue/techniques/step'
import { productIn } from '../../catalogue/products/products'
import { freeAcidOf } from '../../dosing/freeAcid'
import { techniqueOf } from '../../catalogue/techniques/ownWay'
import { isOtherHalf, SIDE_IDS, sidesOn, type Side } from '../../face/sides'
import { REGION_IDS, type RegionId } from '../../face/zones'
import { bottleRateOf } from '../../dosing/bottleRate'
import { heatOf, loadOn } from '../../load/loads'
import { faceOf, lackingOn, seenBy, workOn } from '../../surface/face'
import { startSurface, unmetNeeds, type Surface, type Unmet } from '../../surface/surface'
import { dwellWindow, schedule, type Resting, type Schedule } from '../../timing/schedule'
import { shortDwell, takesOffSkin } from '../today/adapt'
import type { PlanInput } from '../input'
import { toTicks } from '../../units'

interface StepState {
  before: Surface
  /** The half on which something is unmet; the same as before where none is. */
  lacking: Surface
  after: Surface
  unmet: readonly Unmet[]
  loads: Readonly<Record<RegionId, number>>
  /** What all steps so far asked of each region: of the half that was asked more. */
  asked: Readonly<Record<RegionId, number>>
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

/** What of the bottle of a step counts as load: its free acid, and what it pours by itself. */
function strengthIn(input: PlanInput, { productId }: PlanStep) {
  const bottle = productIn(input.shelf, productId)
  return bottle
    ? { freeAcid: freeAcidOf(bottle), bottleRate: bottleRateOf(bottle) }
    : { freeAcid: 0, bottleRate: 0 }
}

/** Minutes that what a step laid rests on a region. */
const restedOn = (resting: readonly Resting[], { key }: PlanStep, region: RegionId): number => {
  const rest = resting.find((own) => own.key === key && own.regions.includes(region))
  return rest ? Math.max(0, rest.end - rest.start) : 0
}

/** By region what the half has that has more. */
export function fuller(
  halves: Readonly<Record<Side, Readonly<Partial<Record<RegionId, number>>>>>,
): Record<RegionId, number> {
  const out = {} as Record<RegionId, number>
  for (const region of REGION_IDS)
    out[region] = Math.max(...SIDE_IDS.map((side) => halves[side][region] ?? 0))
  return out
}

const NOTHING_POURED = Object.fromEntries(REGION_IDS.map((region) => [region, 0])) as Readonly<
  Record<RegionId, number>
>
/** What one step pours into each basin. */
function loadsOf(
  step: PlanStep,
  input: PlanInput,
  before: Surface,
  resting: readonly Resting[],
): Readonly<Record<RegionId, number>> {
  const technique = techniqueOf(step)
  const strength = strengthIn(input, step)
  if (!technique.load && strength.bottleRate === 0) return NOTHING_POURED
  const out: Record<RegionId, number> = { ...NOTHING_POURED }
  for (const region of step.regions)
    out[region] = loadOn(
      region,
      technique,
      {
        handsMinutes: step.minutes,
        dwellMinutes: restedOn(resting, step, region),
        passes: step.passes ?? 0,
        ...strength,
        setting: step.setting ?? technique.setting?.start ?? 0,
      },
      heatOf(before[region].warmth),
    )
  return out
}

/** A plan followed step by step: what lies on each region, when, and what each step pours. */
export function trace(input: PlanInput, steps: readonly PlanStep[]): Trace {
  const start = startSurface(input.makeUp.length > 0)
  const short = shortDwell(input, steps)
  const times = schedule(steps, (step) =>
    dwellWindow(step, short(step), productIn(input.shelf, step.productId)),
  )
  const filled: Record<Side, Record<RegionId, number>> = {
    L: { ...input.residual },
    R: { ...input.residual },
  }
  const poured: Record<Side, Partial<Record<RegionId, number>>> = { L: {}, R: {} }
  const states: StepState[] = []
  let face = faceOf(start)
  let asked: StepState['asked'] = NOTHING_POURED
  for (const step of steps) {
    const technique = techniqueOf(step)
    const before = seenBy(face, step)
    const loads = loadsOf(step, input, before, times.resting)
    for (const region of REGION_IDS.filter((own) => loads[own] > 0))
      for (const side of sidesOn(step, region)) {
        filled[side][region] += loads[region]
        poured[side][region] = (poured[side][region] ?? 0) + loads[region]
      }
    if (loads !== NOTHING_POURED) asked = fuller(poured)
    const lacking = lackingOn(face, technique, step)
    const unmet = unmetNeeds(lacking, technique, step.regions)
    face = workOn(face, technique, step, toTicks(step.minutes))
    states.push({ before, lacking, after: seenBy(face, step), unmet, loads, asked })
  }
  // Half of a zone bears what is asked of that half.
  const totals = fuller(filled)
  const takers = steps.filter((step) => takesOffSkin(input, step))
  // The left half with one and the right with another is one exfoliation of a face.
  const exfoliations = takers
    .filter((step, i) => !takers.slice(0, i).some((own) => isOtherHalf(own, step)))
    .map((step) => step.key)
  return { start, states, schedule: times, totals, exfoliations }
}
