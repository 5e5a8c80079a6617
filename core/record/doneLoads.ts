import { MINUTE_MS, nearestTick, toTicks } from '../units'
import { techniqueOf } from '../catalogue/techniques/ownWay'
import type { PlanStep } from '../catalogue/techniques/step'
import { freeAcidOf } from '../dosing/freeAcid'
import { sidesOn, type Side } from '../face/sides'
import { REGION_IDS, type RegionId } from '../face/zones'
import { bottleRateOf } from '../dosing/bottleRate'
import { heatOf, loadOn } from '../load/loads'
import type { PlanInput } from '../planning/input'
import { fuller, trace } from '../planning/steps/trace'
import { faceOf, seenBy, waited, workOn } from '../surface/face'
import { startSurface } from '../surface/surface'
import type { DoneStep, RoomState } from '../treatment/fold/roomState'

const ticksOf = (ms: number): number => toTicks(nearestTick(Math.max(0, ms) / MINUTE_MS))

type Room = Pick<
  RoomState,
  'done' | 'resting' | 'passes' | 'settings' | 'products' | 'reactions' | 'finishedAt'
>

/**
 * What the visit asked of each region as it was done, hundredths on the house scale: minutes on the
 * clock with holds taken out, passes as tapped, the setting and the bottle in use, what rested until
 * it came off, and a zone that was ended only until then.
 * @param steps the planned steps that were done
 */
export function loadsDone(
  { makeUp, shelf }: Pick<PlanInput, 'makeUp' | 'shelf'>,
  steps: readonly PlanStep[],
  state: Room,
): Record<RegionId, number> {
  const poured: Record<Side, Partial<Record<RegionId, number>>> = { L: {}, R: {} }
  const strengthIn = (productId: string | undefined) => {
    const bottle = shelf.find(({ product }) => product.id === productId)?.product
    return bottle
      ? { freeAcid: freeAcidOf(bottle), bottleRate: bottleRateOf(bottle) }
      : { freeAcid: 0, bottleRate: 0 }
  }
  let face = faceOf(startSurface(makeUp.length > 0))
  for (const done of state.done) {
    const step = steps.find((own) => own.key === done.key)
    if (!step || done.skipped !== undefined) continue
    const technique = techniqueOf(step)
    const surface = seenBy(face, step)
    for (const region of step.regions) {
      const load = loadOn(
        region,
        technique,
        {
          ...timesOn(region, done, state),
          passes: state.passes[step.key] ? passesOn(region, step, state) : (step.passes ?? 0),
          ...strengthIn(state.products[step.key]?.productId ?? step.productId),
          setting: state.settings[step.key] ?? step.setting ?? technique.setting?.start ?? 0,
        },
        heatOf(surface[region].warmth),
      )
      for (const side of sidesOn(step, region))
        poured[side][region] = (poured[side][region] ?? 0) + load
    }
    const hands = ticksOf(done.endedAt - done.beganAt - done.heldMs)
    face = waited(workOn(face, technique, step, hands), ticksOf(done.heldMs))
  }
  return fuller(poured)
}

const passesOn = (region: RegionId, { key }: PlanStep, { passes }: Room): number =>
  passes[key]?.[region] ?? 0

/** Minutes of hands and of rest on one region; a zone that was ended has them until then. */
function timesOn(region: RegionId, { key, beganAt, endedAt, heldMs }: DoneStep, state: Room) {
  const ended = state.reactions.find(
    ({ body, judgement }) =>
      judgement.act === 'endZone' && body.key === key && body.region === region,
  )?.at
  const rest =
    state.resting.find((own) => own.key === key && own.regions.includes(region)) ??
    state.resting.find((own) => own.key === key)
  const until = Math.min(
    rest?.endedAt ?? state.finishedAt ?? rest?.since ?? endedAt,
    ended ?? Number.POSITIVE_INFINITY,
  )
  const handsUntil = Math.min(endedAt, ended ?? Number.POSITIVE_INFINITY)
  return {
    handsMinutes: nearestTick(Math.max(0, handsUntil - beganAt - heldMs) / MINUTE_MS),
    dwellMinutes: rest ? nearestTick(Math.max(0, until - rest.since) / MINUTE_MS) : 0,
  }
}

/** What these steps ask as planned; where nobody timed them it is the careful end. */
export function loadsPlanned(
  input: PlanInput,
  done: readonly PlanStep[],
): Record<RegionId, number> {
  const { totals } = trace(input, done)
  return Object.fromEntries(
    REGION_IDS.map((region) => [region, totals[region] - input.residual[region]]),
  ) as Record<RegionId, number>
}

/**
 * What each region carries in the middle of a visit, less what its done steps are taken to have
 * asked as planned: with them it comes to what they asked as done.
 */
export function residualAsDone(
  input: PlanInput,
  steps: readonly PlanStep[],
  state: Room,
): Record<RegionId, number> {
  const asDone = loadsDone(input, steps, state)
  const planned = loadsPlanned(input, steps)
  return Object.fromEntries(
    REGION_IDS.map((region) => [region, input.residual[region] + asDone[region] - planned[region]]),
  ) as Record<RegionId, number>
}
