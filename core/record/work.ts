import { NAMED_BESIDES, TOO_MUCH_FELT } from '../catalogue/rules/restraint'
import { familiesOfStep } from '../catalogue/products/families'
import { exfoliates, shortName } from '../catalogue/techniques/traits'
import type { FamilyId } from '../catalogue/kinds'
import { REST_INTERVALS } from '../catalogue/rules/restIntervals'
import type { PlanStep } from '../catalogue/techniques/step'
import { techniqueOf } from '../catalogue/techniques/ownWay'
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

/**
 * How a visit was taken: badly by what happened in the room or by what the client says at its end;
 * well only where they say so. Silence says nothing, and neither does a visit that was tapped through.
 */
function takenOf(
  { stopped, contraActions, reactions }: RoomState,
  told: Taken | undefined,
  rushed: boolean,
): Taken | undefined {
  const felt = reactions.some(
    ({ body }) => body.kind === 'sensation' && body.grade >= TOO_MUCH_FELT,
  )
  if (stopped !== undefined || contraActions.length > 0 || felt) return 'badly'
  return rushed && told === 'well' ? undefined : told
}

/**
 * @param done the planned steps that were done
 * @param told how it was taken, as the client says at its end
 */
export function workOf(
  input: PlanInput,
  done: readonly PlanStep[],
  state: RoomState,
  told?: Taken,
): SealedWork {
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
      techniqueOf(step).families.some((family) => NAMED_BESIDES.includes(family)),
  )
  const rushed = rushedThrough(state, done) !== undefined
  const taken = takenOf(state, told, rushed)
  const poured = rushed ? loadsPlanned(input, done) : loadsDone(input, done, state)
  const loads: Partial<Record<RegionId, number>> = {}
  for (const region of REGION_IDS) if (poured[region] > 0) loads[region] = poured[region]
  return {
    families: [...new Set(strong.flatMap(familiesOf))],
    regions: REGION_IDS.filter((region) => resting.some((step) => step.regions.includes(region))),
    loads,
    label:
      worked.length > 0
        ? worked.map((step) => shortName(step).toLowerCase()).join(', ')
        : 'gentle facial',
    techniques: [...new Set(done.map((step) => step.technique))],
    ...(taken === undefined ? {} : { taken }),
  }
}
