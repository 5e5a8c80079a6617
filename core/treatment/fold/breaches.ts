import { techniqueOf, type DoneAs } from '../../catalogue/techniques/ownWay'
import { isMain } from '../../catalogue/techniques/traits'
import type { TreatmentEvent } from '../taps/events'
import type { Breach, RoomState } from './roomState'

/**
 * What a tap does that the rules do not allow: a pass beyond the limit, or work after a stop that no
 * calm plan has taken up again. Taking off and connecting are no work.
 * @param step the one that the tap names
 */
export function breachesOf(
  state: Pick<RoomState, 'done' | 'passes' | 'stopped' | 'replans'>,
  { body, at, by }: TreatmentEvent,
  step: DoneAs,
): Breach[] {
  const counts = body.kind === 'passDone' || (body.kind === 'counted' && body.by > 0)
  if (body.kind !== 'stepDone' && !counts) return []
  if (state.done.some((step) => step.key === body.key)) return []
  const out: Breach['what'][] = []
  if (works(step) && isStopped(state)) out.push('afterStop')
  const region = counts && 'region' in body ? body.region : null
  if (region !== null && isFull(step, state.passes[body.key]?.[region])) out.push('passOver')
  return out.map((what) => ({ at, key: body.key, what, ...(by === undefined ? {} : { by }) }))
}

function works(step: DoneAs): boolean {
  const { removes, connects } = techniqueOf(step)
  return removes !== true && connects === undefined && isMain(step.technique)
}
/** Stopped, and no plan of the rest was made since. */
const isStopped = ({ stopped, replans }: Pick<RoomState, 'stopped' | 'replans'>): boolean =>
  stopped !== undefined && !replans.some(({ at }) => at >= stopped.at)
/** A zone that has had as many passes as it may. */
function isFull(step: DoneAs, had = 0): boolean {
  const { passes } = techniqueOf(step)
  return passes !== undefined && had >= passes.limit
}
