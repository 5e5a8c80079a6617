import { MINUTE_MS, nearestTick } from '../units'
import { techniqueOf } from '../catalogue/techniques/ownWay'
import type { PlanStep } from '../catalogue/techniques/step'
import { REGION_NAMES } from '../face/regions'
import { unevenSides, zoneCountOf } from '../treatment/step/counting'
import { halfRecord } from '../treatment/step/halfTime'
import type { RoomState } from '../treatment/fold/fold'

/** Minutes of a hand or a rest as they are written down: to the nearest tick. */
export const half = (ms: number) => nearestTick(ms / MINUTE_MS)

/** "stopped after 2 min": what had begun is done, as far as it went. */
const brokenWords = (why: string, actual: number | null): string =>
  actual === null ? why : `${why} after ${actual} min`

/** One step as it was planned, as it was done, and everything the room knows. */
interface Done {
  step: PlanStep
  /** Minutes of the hand; null where it was not done. */
  actual: number | null
  state: RoomState
}

/** How it ended otherwise than by its own cue. */
function endedOtherwise({ step, actual, state }: Done): string[] {
  const done = state.done.find(({ key }) => key === step.key)
  if (!done) return []
  return [
    ...(done.skipped === undefined ? [] : [`skipped: ${done.skipped}`]),
    ...(done.brokenOff === undefined ? [] : [brokenWords(done.brokenOff, actual)]),
    ...(done.because === undefined ? [] : [`ended before its cue: ${done.because}`]),
  ]
}

/** Minutes of the hand that are told: a smaller difference is no deviation. */
const TOLD_MINUTES = 2
function otherMinutes({ step, actual }: Done): string[] {
  if (actual === null || Math.abs(actual - step.minutes) < TOLD_MINUTES) return []
  return [`${actual > step.minutes ? '+' : '−'}${Math.abs(actual - step.minutes)} min`]
}

/** Minutes that it rested, and the window it had; undefined where it never came to rest. */
function restOf({ key }: PlanStep, { resting }: RoomState) {
  const rest = resting.find((one) => one.key === key)
  if (rest?.endedAt === undefined) return undefined
  return { ...rest, dwell: half(rest.endedAt - rest.since) }
}
/** Words of a rest that went beyond its latest minute. */
export function restedTooLong(step: PlanStep, state: RoomState): string | undefined {
  const rest = restOf(step, state)
  return rest && rest.dwell > rest.latest
    ? `rested ${rest.dwell} min, latest ${rest.latest}`
    : undefined
}
/** It rested longer than it may, or shorter than it should. */
function otherRest({ step, state }: Done): string[] {
  const tooLong = restedTooLong(step, state)
  if (tooLong !== undefined) return [tooLong]
  const rest = restOf(step, state)
  return rest && rest.dwell < rest.earliest
    ? [`rested ${rest.dwell} min, earliest ${rest.earliest}`]
    : []
}

function otherProduct({ step, state }: Done): string[] {
  const swapped = state.products[step.key]
  return swapped ? [`product swapped: ${swapped.reason}`] : []
}

function otherSetting({ step, state }: Done): string[] {
  const { setting: dial } = techniqueOf(step)
  const turned = state.settings[step.key]
  if (turned === undefined || turned === step.setting) return []
  return [`${dial?.label.toLowerCase() ?? 'setting'} ${turned} ${dial?.unit ?? ''}`.trim()]
}

/** Its cue was not there yet, and how often. */
function waitedFor({ step, state }: Done): string[] {
  const waited = state.notYet[step.key] ?? 0
  return waited > 0 ? [`its cue was waited for${waited > 1 ? ` ${waited} times` : ''}`] : []
}

/** Passes, sides and halves that were not alike. */
function unlikeSides({ step, state }: Done): string[] {
  const count = zoneCountOf(state, step)
  const halves = halfRecord(state.sides[step.key])
  return [...(count ? unevenSides(count) : []), ...(halves === undefined ? [] : [halves])]
}

const RULES: readonly ((done: Done) => string[])[] = [
  endedOtherwise,
  otherMinutes,
  otherRest,
  ({ step, state }) =>
    state.unconfirmed.includes(step.key) ? ['done without confirming first'] : [],
  otherProduct,
  ({ step, state }) =>
    (state.endedZones[step.key] ?? []).map((zone) => `ended on the ${REGION_NAMES[zone]}`),
  otherSetting,
  waitedFor,
  unlikeSides,
  ({ step, state }) =>
    (state.deviceSaid[step.key] ?? []).flatMap(({ fault }) => (fault === null ? [] : [fault])),
  ({ step, state }) =>
    state.takenBack.some(({ key }) => key === step.key) ? ['its end was undone once'] : [],
]

/**
 * What of a step went otherwise than planned, in words, each once.
 * @param actual minutes of the hand as done; null where it was not done
 * @example deviationsOf(tip, 9, state) // ['+2 min', 'level 3']
 */
export const deviationsOf = (step: PlanStep, actual: number | null, state: RoomState): string[] => [
  ...new Set(RULES.flatMap((rule) => rule({ step, actual, state }))),
]
