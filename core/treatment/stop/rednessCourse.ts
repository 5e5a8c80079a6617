import {
  COURSE_RULE,
  FADES_IN_MINUTES,
  LOOK_AGAIN_MINUTES,
} from '../../catalogue/rules/rednessCourse'
import type { PlanStep } from '../../catalogue/techniques/step'
import { TECHNIQUES } from '../../catalogue/techniques/techniques'
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
  /** Pinker than expected by now: it neither fades nor stays as it should. */
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
  const added = state.done.flatMap(({ key, skipped, endedAt }) => {
    const step = steps.find((own) => own.key === key)
    const redness = step ? (TECHNIQUES[step.technique].leaves.redness ?? 0) : 0
    if (!step?.regions.includes(region) || skipped !== undefined || redness <= 0) return []
    const rests = state.resting.find((own) => own.key === key)
    // What came later explains nothing of before.
    if (at < (rests?.since ?? endedAt)) return []
    const since = rests ? (rests.endedAt ?? at) : endedAt
    const passed = fromMilliseconds(Math.max(0, at - since))
    return [redness * Math.max(0, 1 - passed / FADES_IN_MINUTES)]
  })
  return baseline + Math.max(0, ...added)
}

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
      staysTooLong: above && now > last.at && last.grade > Math.ceil(expectedNow) && !lies,
      rule: COURSE_RULE.id,
    }
  })
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
