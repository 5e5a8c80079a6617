import { NAMED_BESIDES, TOO_MUCH_FELT } from '../catalogue/rules/restraint'
import { familiesOfStep } from '../catalogue/products/families'
import { exfoliates, shortName } from '../catalogue/techniques/traits'
import type { FamilyId } from '../catalogue/kinds'
import { REST_INTERVALS } from '../catalogue/rules/restIntervals'
import type { PlanStep } from '../catalogue/techniques/step'
import { TECHNIQUES } from '../catalogue/techniques/techniques'
import { REGION_IDS, type RegionId } from '../face/zones'
import type { Taken } from '../load/rest'
import type { PlanInput } from '../planning/input'
import type { RoomState } from '../treatment/fold/fold'
import { loadsDone, loadsPlanned } from './doneLoads'
import { rushedThrough } from './rushed'

/**
 * What a visit asked of the skin: kept with its record, so that later visits can reckon with it.
 */
export interface SealedWork {
  families: FamilyId[]
  regions: RegionId[]
  loads: Partial<Record<RegionId, number>>
  label: string
  techniques: string[]
  /** Records of earlier versions do not say. */
  taken?: Taken
}

/** How a visit was taken, from what happened in the room. */
function takenOf({ stopped, contraActions, reactions }: RoomState): Taken {
  const felt = reactions.some(
    ({ body }) => body.kind === 'sensation' && body.grade >= TOO_MUCH_FELT,
  )
  return stopped !== undefined || contraActions.length > 0 || felt ? 'badly' : 'well'
}

/** @param done the planned steps that were done */
export function workOf(input: PlanInput, done: readonly PlanStep[], state: RoomState): SealedWork {
  const familiesOf = (step: PlanStep) => familiesOfStep(step, input.shelf)
  const strong = done.filter((step) => familiesOf(step).length > 0)
  // What asks for rest later is remembered with its zones; the label names only what takes
  // something off.
  const resting = strong.filter((step) =>
    familiesOf(step).some((family) =>
      REST_INTERVALS.some((restInterval) => restInterval.after.includes(family)),
    ),
  )
  const worked = strong.filter(
    (step) =>
      exfoliates(step.technique) ||
      TECHNIQUES[step.technique].families.some((family) => NAMED_BESIDES.includes(family)),
  )
  const poured = rushedThrough(state, done)
    ? loadsPlanned(input, done)
    : loadsDone(input, done, state)
  const loads: Partial<Record<RegionId, number>> = {}
  for (const region of REGION_IDS) if (poured[region] > 0) loads[region] = poured[region]
  return {
    families: [...new Set(strong.flatMap(familiesOf))],
    regions: REGION_IDS.filter((region) => resting.some((step) => step.regions.includes(region))),
    loads,
    label:
      worked.length > 0
        ? worked.map((step) => shortName(step.technique).toLowerCase()).join(', ')
        : 'gentle facial',
    techniques: [...new Set(done.map((step) => step.technique))],
    taken: takenOf(state),
  }
}
