import {
  COURSE_RULE,
  FADES_IN_MINUTES,
  LOOK_AGAIN_MINUTES,
} from '../../catalogue/rules/rednessCourse'
import type { PlanStep } from '../../catalogue/techniques/step'
import { techniqueOf } from '../../catalogue/techniques/ownWay'
import type { RegionId } from '../../face/zones'
import { fromMilliseconds, toMilliseconds } from '../../units'
import type { RoomState } from '../fold/roomState'

/** Redness of one zone through the visit. */
export interface Course {
  region: RegionId
  baseline: number
  /** What was seen, minutes from the start of the treatment. */
  seen: readonly { minute: number; grade: number }[]
  /** The most that what was done there would explain at this minute. */
  expectedNow: number
  /** Milliseconds since 1970 at which it is looked at again; undefined when it is back. */
  lookAt?: number
  /** Pinker, when it was seen last, than what was done there explained at that moment. */
  unexplained: boolean
  /**
   * What was done there explained it once and no longer does, or it was looked at again, or is due to be,
   * and is pinker still.
   */
  staysTooLong: boolean
  rule: string
}

/**
 * What the work on a zone explains at a moment: the strongest pink of it, falling to nothing in
 * half an hour.
 * @param steps of every version
 */
export function expectedRedness(
  state: RoomState,
  steps: readonly PlanStep[],
  region: RegionId,
  baseline: number,
  at: number,
): number {
  const rednessOf = (step: PlanStep | undefined) =>
    step?.regions.includes(region) ? (techniqueOf(step).leaves.redness ?? 0) : 0
  // What the hand is at reddens from its own first minute on, and has not begun to fade.
  const { current } = state
  const atHand = current && at >= current.since ? rednessOf(stepOf(steps, current.key)) : 0
  const added = state.done.flatMap(({ key, skipped, endedAt }) => {
    const step = stepOf(steps, key)
    const redness = rednessOf(step)
    if (skipped !== undefined || redness <= 0) return []
    const rests = state.resting.find((own) => own.key === key)
    // What came later explains nothing of before.
    if (at < (rests?.since ?? endedAt)) return []
    const since = rests ? (rests.endedAt ?? at) : endedAt
    const passed = fromMilliseconds(Math.max(0, at - since))
    return [redness * Math.max(0, 1 - passed / FADES_IN_MINUTES)]
  })
  return baseline + Math.max(0, atHand, ...added)
}
const stepOf = (steps: readonly PlanStep[], key: string) => steps.find((own) => own.key === key)

/** The course of every zone on which redness was tapped, in the order of the first tap. */
export function courses(
  state: RoomState,
  steps: readonly PlanStep[],
  baseline: Partial<Record<RegionId, number>>,
  now: number,
): Course[] {
  const started = state.startedAt ?? now
  const byRegion = new Map<RegionId, { at: number; grade: number }[]>()
  for (const { at, body } of state.reactions)
    if (body.kind === 'redness')
      byRegion.set(body.region, [...(byRegion.get(body.region) ?? []), { at, grade: body.grade }])
  return [...byRegion].map(([region, taps]) => {
    const base = baseline[region] ?? 0
    const last = taps[taps.length - 1]
    const expectedNow = expectedRedness(state, steps, region, base, now)
    const explained = (at: number) => Math.ceil(expectedRedness(state, steps, region, base, at))
    const above = last !== undefined && last.grade > base
    const lies = state.resting.some(
      (own) => own.endedAt === undefined && own.regions.includes(region),
    )
    const wait = lies ? LOOK_AGAIN_MINUTES.working : LOOK_AGAIN_MINUTES.after
    return {
      region,
      baseline: base,
      seen: taps.map(({ at, grade }) => ({ minute: fromMilliseconds(at - started), grade })),
      expectedNow,
      ...(above ? { lookAt: last.at + toMilliseconds(wait) } : {}),
      unexplained: above && last.grade > explained(last.at),
      staysTooLong:
        above &&
        !lies &&
        last.grade > explained(now) &&
        (state.done.some(({ endedAt }) => last.grade <= explained(endedAt)) ||
          isSeenAgain(taps, wait, now)),
      rule: COURSE_RULE.id,
    }
  })
}

/** Whether the same pink was seen twice so far apart, or is to be looked at again by now. */
function isSeenAgain(
  taps: readonly { at: number; grade: number }[],
  wait: number,
  now: number,
): boolean {
  const last = taps.at(-1)
  if (!last) return false
  const since = taps.findLast(({ grade, at }) => grade < last.grade && at < last.at)?.at ?? 0
  const first = taps.find(({ at }) => at > since)
  return now - (first?.at ?? last.at) >= toMilliseconds(wait)
}

/**
 * What the work on a zone explained, minute by minute from the start of the treatment until now, as
 * it can be drawn.
 * @param now milliseconds since 1970
 */
export function expectedCourse(
  state: RoomState,
  steps: readonly PlanStep[],
  { region, baseline }: Pick<Course, 'region' | 'baseline'>,
  now: number,
): Course['seen'] {
  const started = state.startedAt ?? now
  const ran = Math.max(0, fromMilliseconds(now - started))
  const minutes = Array.from({ length: Math.floor(ran) + 1 }, (_, minute) => minute)
  return [...minutes, ran].map((minute) => ({
    minute,
    grade: expectedRedness(state, steps, region, baseline, started + toMilliseconds(minute)),
  }))
}

/** Zones that are to be looked at again by now. */
export const looksDue = (all: readonly Course[], now: number): RegionId[] =>
  all.filter(({ lookAt }) => lookAt !== undefined && lookAt <= now).map(({ region }) => region)
