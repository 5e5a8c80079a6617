import { MINUTE_SECONDS, fromMilliseconds, toMilliseconds } from '../../units'
import { LADDER } from '../../catalogue/rules/byHand'
import type { Dial } from '../order/atHand'
import type { RoomState } from '../fold/roomState'

interface Ladder {
  /** The zone was calm at the level that is, or is still to be asked. */
  calm: boolean
  /** Milliseconds until this level has been tried long enough; 0 when it has. */
  waitMs: number
  /** One notch stronger may be taken now. */
  mayStepUp: boolean
  /** Why not, or what to do. */
  say: string
}

/**
 * A device is made stronger only after calm: the level that is has been tried its minute and the
 * zone was looked at and asked. Gentler is always open.
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
  const waitMs = Math.max(0, toMilliseconds(LADDER.tried) - (now - from))
  const seen = state.calm[key]
  const asStrong = seen !== undefined && (seen.setting - dial.value) * dial.stronger >= 0
  const calm = asStrong && seen.at >= from
  const cap = dial.stronger > 0 ? dial.most : dial.least
  const atCap = dial.value === cap || (dial.value - cap) * dial.stronger > 0
  const mayStepUp = calm && waitMs === 0 && !atCap
  if (atCap) return { calm, waitMs, mayStepUp, say: `${cap} ${dial.unit} is the limit today.` }
  if (waitMs > 0)
    return { calm, waitMs, mayStepUp, say: `Test spot: ${seconds(waitMs)} s more at this level.` }
  return {
    calm,
    waitMs,
    mayStepUp,
    say: calm ? 'Calm: one notch stronger is open.' : 'Look and ask: calm?',
  }
}
const seconds = (ms: number) => Math.ceil(fromMilliseconds(ms) * MINUTE_SECONDS)
