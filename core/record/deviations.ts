import { MINUTE_MS, nearestTick } from '../units'
import { TECHNIQUES } from '../catalogue/techniques/techniques'
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

/** What of a step went otherwise than planned. */
export function deviationsOf(step: PlanStep, actual: number | null, state: RoomState): string[] {
  const { setting: dial } = TECHNIQUES[step.technique]
  const done = state.done.find((taps) => taps.key === step.key)
  const rest = state.resting.find((resting) => resting.key === step.key)
  const out: string[] = []
  if (done?.skipped !== undefined) out.push(`skipped: ${done.skipped}`)
  if (done?.brokenOff !== undefined) out.push(brokenWords(done.brokenOff, actual))
  if (done?.because !== undefined) out.push(`ended before its cue: ${done.because}`)
  if (actual !== null && Math.abs(actual - step.minutes) >= 2)
    out.push(`${actual > step.minutes ? '+' : '−'}${Math.abs(actual - step.minutes)} min`)
  if (rest?.endedAt !== undefined) {
    const dwell = half(rest.endedAt - rest.since)
    if (dwell > rest.latest) out.push(`rested ${dwell} min, latest ${rest.latest}`)
    else if (dwell < rest.earliest) out.push(`rested ${dwell} min, earliest ${rest.earliest}`)
  }
  if (state.unconfirmed.includes(step.key)) out.push('done without confirming first')
  const swapped = state.products[step.key]
  if (swapped) out.push(`product swapped: ${swapped.reason}`)
  for (const zone of state.endedZones[step.key] ?? [])
    out.push(`ended on the ${REGION_NAMES[zone]}`)
  const turned = state.settings[step.key]
  if (turned !== undefined && turned !== step.setting)
    out.push(`${dial?.label.toLowerCase() ?? 'setting'} ${turned} ${dial?.unit ?? ''}`.trim())
  const waited = state.notYet[step.key] ?? 0
  if (waited > 0) out.push(`its cue was waited for${waited > 1 ? ` ${waited} times` : ''}`)
  const count = zoneCountOf(state, step)
  if (count) out.push(...unevenSides(count))
  const halves = halfRecord(state.sides[step.key])
  if (halves !== undefined) out.push(halves)
  for (const { fault } of state.deviceSaid[step.key] ?? []) if (fault !== null) out.push(fault)
  if (state.takenBack.some(({ key }) => key === step.key)) out.push('its end was taken back once')
  return [...new Set(out)]
}
