import { TECHNIQUES, type TechniqueId } from '../../catalogue/techniques/techniques'
import { isMain } from '../../catalogue/techniques/traits'
import type { TreatmentEvent } from '../taps/events'
import type { Breach, RoomState } from './roomState'

/**
 * What a tap does that the rules do not allow: a pass beyond the limit, or work after a stop that no
 * calm plan has taken up again. Taking off and connecting are no work.
 * @param technique of the step that the tap names
 */
export function breachesOf(
  state: Pick<RoomState, 'done' | 'passes' | 'stopped' | 'replans'>,
  { body, at, by }: TreatmentEvent,
  technique: TechniqueId,
): Breach[] {
  const counts = body.kind === 'passDone' || (body.kind === 'counted' && body.by > 0)
  if (body.kind !== 'stepDone' && !counts) return []
  if (state.done.some((step) => step.key === body.key)) return []
  const out: Breach['what'][] = []
  if (works(technique) && isStopped(state)) out.push('afterStop')
  const region = counts && 'region' in body ? body.region : null
  if (region !== null && isFull(technique, state.passes[body.key]?.[region])) out.push('passOver')
  return out.map((what) => ({ at, key: body.key, what, ...(by === undefined ? {} : { by }) }))
}

function works(technique: TechniqueId): boolean {
  const { removes, connects } = TECHNIQUES[technique]
  return removes !== true && connects === undefined && isMain(technique)
}
/** Stopped, and no plan of the rest was made since. */
const isStopped = ({ stopped, replans }: Pick<RoomState, 'stopped' | 'replans'>): boolean =>
  stopped !== undefined && !replans.some(({ at }) => at >= stopped.at)
/** A zone that has had as many passes as it may. */
function isFull(technique: TechniqueId, had = 0): boolean {
  const { passes } = TECHNIQUES[technique]
  return passes !== undefined && had >= passes.limit
}
