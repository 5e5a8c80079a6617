import { minutes, toMilliseconds, type Minutes } from '../../units'
import type { RoomState } from '../fold/roomState'

/** The cold compress after a stop. Common practice. */
const COMPRESS_MINUTES: Minutes = minutes(2)

interface StopClock {
  /** Since the stop. */
  sinceMs: number
  /** What is left of the compress: it begins when everything is off. Undefined before that. */
  compressLeftMs?: number
}
/** @returns undefined where nothing was stopped */
export function stopClock(
  { stopped }: Pick<RoomState, 'stopped'>,
  now: number,
): StopClock | undefined {
  if (!stopped) return undefined
  const off = stopped.doneAt.removed
  return {
    sinceMs: Math.max(0, now - stopped.at),
    ...(off === undefined || stopped.doneAt.cooled !== undefined
      ? {}
      : { compressLeftMs: Math.max(0, toMilliseconds(COMPRESS_MINUTES) - (now - off)) }),
  }
}
