import { SKIN_NOW } from '../../catalogue/rules/byHand'
import type { PlanStep } from '../../catalogue/techniques/step'
import { techniqueOf } from '../../catalogue/techniques/ownWay'
import type { PlanInput } from '../../planning/input'
import { connect, unavailableLinks, type Connection } from '../../planning/steps/mend'
import { allowance } from '../../planning/today/allowed'
import { faceOf, lackingOn, waited, workOn, type Face } from '../../surface/face'
import { startSurface, unmetNeeds, type Unmet } from '../../surface/surface'
import { describeUnmet } from '../../surface/words'
import { fromMilliseconds, ticksWithin, toMilliseconds, toTicks } from '../../units'
import type { RoomState } from '../fold/roomState'

/**
 * What lies on the skin at a moment, by what was done and when, whatever the plan had said: what
 * was skipped left nothing, and what stood open dried.
 * @param steps of every version
 * @param madeUp whether the client came with something on the face
 * @param at milliseconds since 1970
 */
export function surfaceAt(
  state: RoomState,
  steps: readonly PlanStep[],
  madeUp: boolean,
  at: number,
): Face {
  const began = state.startedAt ?? at
  const tickOf = (moment: number) => ticksWithin(fromMilliseconds(Math.max(0, moment - began)))
  const did = state.done
    .filter(({ skipped, endedAt }) => skipped === undefined && endedAt <= at)
    .sort((one, other) => one.endedAt - other.endedAt)
  let face = faceOf(startSurface(madeUp))
  let until = 0
  for (const { key, endedAt } of did) {
    const step = steps.find((own) => own.key === key)
    if (!step) continue
    const ticks = tickOf(endedAt) - until
    face = workOn(face, techniqueOf(step), step, ticks)
    until += ticks
  }
  return waited(face, tickOf(at) - until)
}

/** In the room nobody chooses among soils: clean will do. */
const inShort = (unmet: Unmet): string =>
  describeUnmet(
    unmet.part === 'soil' ? { ...unmet, want: unmet.want.split(' or ')[0] ?? '' } : unmet,
  )

/** The step at hand does not find the skin as it needs it. */
export interface NotReady {
  /** "needs damp skin, finds dry". */
  words: string
  /** What puts it right, where something does. */
  first: Connection['steps']
}

/**
 * Whether the skin is as the step at hand needs it, by what was really done and how long ago.
 * @param every steps of every version
 * @param open what of the moment is still open: connecting work first, the main step last
 * @returns undefined where it is, and after a stop
 */
export function notReady(
  state: RoomState,
  every: readonly PlanStep[],
  open: readonly PlanStep[],
  input: PlanInput,
): NotReady | undefined {
  const main = open[open.length - 1]
  // After a stop nothing more is asked of the skin, least of all another cleanse.
  if (!main || !state.current || state.stopped) return undefined
  const technique = techniqueOf(main)
  const since = state.current.since - toMilliseconds(SKIN_NOW.grace)
  const last = Math.max(0, ...state.done.map(({ endedAt }) => endedAt))
  const found = open
    .slice(0, -1)
    .reduce(
      (face, tick) => workOn(face, techniqueOf(tick), tick, toTicks(tick.minutes)),
      surfaceAt(state, every, input.makeUp.length > 0, Math.max(since, last)),
    )
  const lacking = lackingOn(found, technique, main)
  const unmet = unmetNeeds(lacking, technique, main.regions)
  if (unmet.length === 0) return undefined
  const without = unavailableLinks((id) => allowance(id, input))
  return {
    words: unmet.map(inShort).join('; '),
    first: connect(lacking, technique, main.regions, without)?.steps ?? [],
  }
}
