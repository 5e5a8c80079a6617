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
  const { passes, removes, connects } = TECHNIQUES[technique]
  const works = !removes && connects === undefined && isMain(technique)
  const out: Breach['what'][] = []
  const { stopped } = state
  if (stopped && works && !state.replans.some((replan) => replan.at >= stopped.at))
    out.push('afterStop')
  const region = counts && 'region' in body ? body.region : null
  const before = region === null ? 0 : (state.passes[body.key]?.[region] ?? 0)
  if (region !== null && passes && before >= passes.limit) out.push('passOver')
  return out.map((what) => ({ at, key: body.key, what, ...(by === undefined ? {} : { by }) }))
}
