import { WISH_SAID_AT } from '../../catalogue/rules/room'
import { preferenceNotes, type Preferences } from '../../catalogue/consultation/preferences'
import type { StageId } from '../../catalogue/kinds'
import type { PlanStep } from '../../catalogue/techniques/step'
import { techniqueOf } from '../../catalogue/techniques/ownWay'
import { shortName } from '../../catalogue/techniques/traits'
import type { RegionId } from '../../face/zones'
import { lightDose } from '../../dosing/light'
import { fromMilliseconds } from '../../units'
import type { PlanInput } from '../../planning/input'
import { allowance } from '../../planning/today/allowed'
import { restingAt } from '../fold/clocks'
import { restCueOf, type Bottle } from '../step/cue'
import { isCalmed } from '../stop/stop'
import type { RestingNow, RoomState } from '../fold/fold'

/** What this client likes, at the step where it matters. */
export const comfortAt = (preferences: Preferences, stage: StageId): string =>
  preferenceNotes(preferences)
    .filter(({ id }) => [stage, 'always'].includes(WISH_SAID_AT[id] ?? ''))
    .map(({ text }) => text)
    .join(' ')

/** Something resting now, under its own name, with what its clock says. */
export interface RestingOnFace extends RestingNow {
  name: string
  /** How it is known that it has done its work. */
  cue: string
  /** Nobody speaks meanwhile. */
  quiet: boolean
  /** J/cm² so far, of a lamp: by what it says of itself, else by its dial. */
  joules?: number
  ms: number
  word: ReturnType<typeof restingAt>['word']
}

/**
 * Everything that still rests, in the order it was laid.
 * @param bottleOf what was laid with it, as far as the cue depends on it
 */
export function restingNow(
  state: RoomState,
  steps: readonly PlanStep[],
  now: number,
  bottleOf: (step: PlanStep) => Bottle | undefined = () => undefined,
): RestingOnFace[] {
  return state.resting
    .filter((resting) => resting.endedAt === undefined)
    .map((resting) => {
      const step = steps.find((one) => one.key === resting.key)
      const name = step ? shortName(step) : 'a step of an earlier plan'
      const cue = step ? restCueOf(step, bottleOf(step)) : ''
      const { quiet = false } = step ? techniqueOf(step) : {}
      const clock = restingAt(resting, now)
      const joules = step ? joulesOf(state, step, clock.ms) : undefined
      return { ...resting, ...clock, name, cue, quiet, ...(joules === undefined ? {} : { joules }) }
    })
}

function joulesOf(state: RoomState, step: PlanStep, ms: number): number | undefined {
  const { device, setting } = techniqueOf(step)
  if (device !== 'lamp' || !setting) return undefined
  const said = (state.deviceSaid[step.key] ?? []).flatMap(({ level }) => level ?? []).at(-1)
  const irradiance = said ?? state.settings[step.key] ?? step.setting ?? setting.start
  return lightDose(irradiance, fromMilliseconds(ms))
}

/** The device's dial at this step: its range for this client, and where it stands. */
export interface Dial {
  label: string
  unit: string
  least: number
  most: number
  step: number
  value: number
  /** Which way is stronger: up, or down where it is a distance. */
  stronger: 1 | -1
}
/**
 * The device's dial at a step: unit, range for this client, where it stands; none without a setting.
 */
export function dialOf(state: RoomState, step: PlanStep, input: PlanInput): Dial | undefined {
  const { setting } = techniqueOf(step)
  if (!setting) return undefined
  const { label, unit, step: by, least, most, start } = setting
  const own = allowance(step, input).setting
  return {
    label,
    unit,
    step: by,
    stronger: setting.gentler === 'up' ? -1 : 1,
    least: own?.least ?? least,
    most: own?.most ?? most,
    value: state.settings[step.key] ?? step.setting ?? start,
  }
}

/** The dial turned by so many notches, kept inside its range. */
export const turned = (dial: Dial, notches: number): number =>
  Math.min(dial.most, Math.max(dial.least, dial.value + notches * dial.step))

/** The product of a step: what was swapped in, else what was planned. */
export const productUsed = (state: RoomState, step: PlanStep): string | undefined =>
  state.products[step.key]?.productId ?? step.productId

/** The path of a stop is on screen: from the stop until what follows is planned. */
export const isStopping = (state: RoomState): boolean =>
  state.stopped !== undefined && !isCalmed(state, state.stopped.at)

/** Where the reactions were that stopped it. */
export const stopRegions = (state: RoomState): RegionId[] => [
  ...new Set(
    state.reactions.flatMap(({ judgement, body }) =>
      judgement.act === 'stop' && body.region ? [body.region] : [],
    ),
  ),
]

/** The second reading is still to be done, at its step. */
export const wantsReading = (state: RoomState, step: PlanStep): boolean =>
  techniqueOf(step).stage === 'reading' && !state.readings && !state.stopped
