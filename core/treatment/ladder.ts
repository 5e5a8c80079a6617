import { fromMilliseconds, minutes, toMilliseconds, type Minutes } from '../units'
import type { Dial } from './atHand'
import type { RoomState } from './roomState'

/** A level is tried so long before the next may be taken. House value. */
export const TRY_MINUTES: Minutes = minutes(1)

export interface Ladder {
  /** The zone was calm at the level that is, or is still to be asked. */
  calm: boolean
  /** Milliseconds until this level has been tried long enough; 0 when it has. */
  waitMs: number
  /** One notch up may be taken now. */
  mayStepUp: boolean
  /** Why not, or what to do. */
  say: string
}

/**
 * A device is stepped up only after calm: the level that is has been tried its minute and the zone
 * was looked at and asked. Down is always open.
 * @param since the step began, milliseconds since 1970
 */
export function ladderAt(
  state: RoomState,
  key: string,
  dial: Dial,
  since: number,
  now: number,
): Ladder {
  const from = Math.max(since, state.settingSince[key] ?? 0)
  const waitMs = Math.max(0, toMilliseconds(TRY_MINUTES) - (now - from))
  const seen = state.calm[key]
  const calm = seen !== undefined && seen.setting >= dial.value && seen.at >= from
  const atCap = dial.value >= dial.most
  const mayStepUp = calm && waitMs === 0 && !atCap
  if (atCap) return { calm, waitMs, mayStepUp, say: `${dial.most} ${dial.unit} is the most today.` }
  if (waitMs > 0)
    return { calm, waitMs, mayStepUp, say: `Test spot: ${seconds(waitMs)} s more at this level.` }
  return { calm, waitMs, mayStepUp, say: calm ? 'Calm: one up is open.' : 'Look and ask: calm?' }
}
const seconds = (ms: number) => Math.ceil(fromMilliseconds(ms) * 60)
