import type { PlanStep } from '../catalogue/techniques/step'
import { TECHNIQUES } from '../catalogue/techniques/techniques'
import type { FoldContext, RestingNow, RoomState } from './fold'

/** Milliseconds a step has run at `now`, holds taken out. */
export function runningMs(s: RoomState, now: number): number {
  if (!s.current) return 0
  return Math.max(0, (s.heldSince ?? now) - s.current.since)
}

/** What a resting mask says at `now`. A hold does not stop it: chemistry does not wait. */
export function restingAt(
  r: RestingNow,
  now: number,
): { ms: number; word: 'working' | 'mayComeOff' | 'due' | 'late' } {
  const ms = (r.endedAt ?? now) - r.since
  return { ms, word: restingWord(r, ms / 60_000) }
}

/** A mask is said to be due this long before its latest. */
const DUE_BEFORE_MINUTES = 1

function restingWord(r: RestingNow, minutes: number) {
  if (minutes > r.latest) return 'late'
  if (minutes >= r.latest - DUE_BEFORE_MINUTES) return 'due'
  return minutes >= r.earliest ? 'mayComeOff' : 'working'
}

/**
 * Planned steps that were worked on when a reaction came: the products on the skin are suspected.
 */
export function onSkin(s: RoomState, c: FoldContext): PlanStep[] {
  const resting = s.resting.filter((r) => r.endedAt === undefined).map((r) => r.key)
  const keys = new Set([
    ...resting,
    ...(s.current ? [s.current.key] : []),
    ...s.done.slice(-1).map((d) => d.key),
  ])
  return (c.plans[s.version] ?? []).filter(
    (p) => keys.has(p.key) && TECHNIQUES[p.technique].product !== undefined,
  )
}
