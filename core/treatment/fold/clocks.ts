import { MINUTE_MS } from '../../units'
import type { PlanStep } from '../../catalogue/techniques/step'
import { techniqueOf } from '../../catalogue/techniques/ownWay'
import type { FoldContext, RestingNow, RoomState } from './fold'

/** Milliseconds a step has run at `now`, holds taken out. */
export function runningMs(roomState: RoomState, now: number): number {
  if (!roomState.current) return 0
  return Math.max(0, (roomState.heldSince ?? now) - roomState.current.since)
}

/** What a resting mask says at `now`. A hold does not stop it: chemistry does not wait. */
export function restingAt(
  resting: RestingNow,
  now: number,
): { ms: number; word: 'working' | 'mayComeOff' | 'due' | 'late' } {
  const ms = (resting.endedAt ?? now) - resting.since
  return { ms, word: restingWord(resting, ms / MINUTE_MS) }
}

/** A mask is said to be due this long before its latest. */
const DUE_BEFORE_MINUTES = 1

function restingWord(resting: RestingNow, minutes: number) {
  if (minutes > resting.latest) return 'late'
  if (minutes >= resting.latest - DUE_BEFORE_MINUTES) return 'due'
  return minutes >= resting.earliest ? 'mayComeOff' : 'working'
}

/**
 * Planned steps that were worked on when a reaction came: the products on the skin are suspected.
 */
export function onSkin(roomState: RoomState, context: FoldContext): PlanStep[] {
  // After a stop it is what lay there when it came: off by now, and nothing new was begun.
  const stoppedAt = roomState.stopped?.at
  const resting = roomState.resting
    .filter(({ endedAt }) => endedAt === undefined || endedAt >= (stoppedAt ?? Infinity))
    .map((resting) => resting.key)
  const keys = new Set([
    ...resting,
    ...(roomState.current && stoppedAt === undefined ? [roomState.current.key] : []),
    ...roomState.done.slice(-1).map((step) => step.key),
  ])
  return (context.plans[roomState.version] ?? []).filter(
    (plan) => keys.has(plan.key) && techniqueOf(plan).product !== undefined,
  )
}
