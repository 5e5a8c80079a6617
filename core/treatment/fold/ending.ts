import { common, whereOf } from '../../face/sides'
import type { PlanStep } from '../../catalogue/techniques/step'
import { takesOff } from '../../timing/removal'
import { toMilliseconds } from '../../units'
import type { Side } from '../../face/sides'
import type { EventBody, TreatmentEvent } from '../taps/events'
import { hasBegun, isUnderWay } from './begun'
import { leftOut } from '../stop/leftZones'
import { endedKeys } from '../order/moments'
import { unconfirmed } from './confirm'
import type { DoneStep, Draft, FoldContext, RestingNow } from './roomState'
import { findStep, momentNow, ranAt, type Clock } from './walking'

type Ends = Extract<EventBody, { kind: 'stepDone' | 'stepSkipped' }>

/** The hand goes to a side, or rests; a step that is over is timed no more. */
export function turnTo(draft: Draft, key: string, side: Side | null, ran: number): void {
  if (draft.done.some((step) => step.key === key)) return
  draft.sides[key] = [...(draft.sides[key] ?? []), { side, ran }]
}

/** A hold ends at this moment (milliseconds since 1970): its time counts for no step. */
export function resume(draft: Draft, clock: Clock, at: number): void {
  if (draft.heldSince === undefined) return
  const ms = Math.max(0, at - Math.max(draft.heldSince, clock.began))
  draft.heldMs += ms
  clock.heldInStep += ms
  delete draft.heldSince
}

/** A step ends once: a second tablet's tap on the same step changes nothing. */
export function endStep(
  draft: Draft,
  clock: Clock,
  event: TreatmentEvent,
  tap: Ends,
  context: FoldContext,
): void {
  if (draft.startedAt === undefined) {
    draft.unknown.push({ at: event.at, kind: tap.kind, names: `${tap.key} before the start` })
    return
  }
  if (draft.done.some((step) => step.key === tap.key)) return
  const own = findStep(draft, context, tap.key)
  const inside =
    tap.kind === 'stepDone'
      ? (tap.with ?? []).flatMap((key) => findStep(draft, context, key) ?? [])
      : []
  if (own) endWith(draft, clock, event, { own, inside, how: howOf(draft, tap) }, context)
  if (tap.kind === 'stepDone' && tap.swept)
    draft.swept.push({ at: event.at, key: tap.key, spots: tap.swept })
}

/** What was begun is not undone by leaving the rest of it out. */
function howOf(draft: Draft, tap: Ends): How {
  if (tap.kind === 'stepDone')
    return { cue: tap.cue, ...(tap.because === undefined ? {} : { because: tap.because }) }
  return hasBegun(draft, tap.key)
    ? { brokenOff: `broken off: ${tap.reason}` }
    : { skipped: tap.reason }
}

type How = Pick<DoneStep, 'skipped' | 'cue' | 'because' | 'brokenOff'>
interface Ending {
  own: PlanStep
  /** Ticks that end with it. */
  inside: readonly PlanStep[]
  how: How
}

/** A step and its ticks are over at the moment of this tap. */
function endWith(
  draft: Draft,
  clock: Clock,
  event: TreatmentEvent,
  { own, inside, how }: Ending,
  context: FoldContext,
): void {
  if (draft.sides[own.key]) turnTo(draft, own.key, null, ranAt(draft, clock, event.at))
  // A hold that runs on over the end of a step belongs to both, each with its own part.
  const holding = draft.heldSince !== undefined
  resume(draft, clock, event.at)
  if (holding) draft.heldSince = event.at
  const over = endedKeys(draft)
  const open = inside.filter(({ key }) => key !== own.key && !over.has(key))
  for (const { step, ms } of shared(open, own, event.at - clock.began - clock.heldInStep))
    ended(draft, clock, { step, at: clock.began + ms, event, heldMs: 0 }, { cue: true }, context)
  const whole = { step: own, at: event.at, event, heldMs: clock.heldInStep }
  ended(draft, clock, whole, how, context)
  clock.heldInStep = 0
}

/**
 * What had begun is done, whatever comes instead: the step at hand ends here, with the passes,
 * minutes and level it had. What was only on screen was not begun.
 * @param why in words
 * @param byClock whether having been at hand for a while counts as begun
 */
export function breakOff(
  draft: Draft,
  clock: Clock,
  event: TreatmentEvent,
  { why, byClock }: { why: string; byClock: boolean },
  context: FoldContext,
): void {
  if (draft.startedAt === undefined) return
  const moment = momentNow(draft, context)
  if (!moment) return
  const { key } = moment.main
  const ran = ranAt(draft, clock, event.at) - plannedMs(moment.ticks)
  const asked = unconfirmed(draft, context, moment.main).length > 0
  const begun = byClock && !asked ? isUnderWay(draft, key, ran) : hasBegun(draft, key)
  if (!begun) return
  // As it was planned: a zone that is left from this moment on was worked until now.
  const own = findStep(draft, context, key)
  const how = { brokenOff: why }
  if (own) endWith(draft, clock, event, { own, inside: moment.ticks, how }, context)
}

/**
 * How long each tick inside a main step took, which end with its one tap: as planned where there
 * was time for it, else its share of the time there was.
 * @param ms hands-on milliseconds of all of them with the main step
 */
function shared(ticks: readonly PlanStep[], main: PlanStep, ms: number) {
  const all = plannedMs([...ticks, main])
  const scale = all > 0 ? Math.min(1, Math.max(0, ms) / all) : 0
  return ticks.map((step) => ({ step, ms: Math.floor(plannedMs([step]) * scale) }))
}
const plannedMs = (steps: readonly PlanStep[]) =>
  toMilliseconds(steps.reduce((sum, step) => sum + step.minutes, 0))

interface Over {
  step: PlanStep
  at: number
  heldMs: number
  event: TreatmentEvent
}
/** One step is over: what it laid rests from now, what it took off is off since it began. */
function ended(
  draft: Draft,
  clock: Clock,
  { step, at, heldMs, event }: Over,
  how: How,
  context: FoldContext,
): void {
  const beganAt = Math.min(clock.began, at)
  const regions = workedOn(draft, step, beganAt, how, context)
  if (regions.length === 0 && step.regions.length > 0 && how.skipped === undefined)
    draft.breaches.push({
      ...{ at, key: step.key, what: 'leftZone' },
      ...(event.by === undefined ? {} : { by: event.by }),
    })
  const where = regions.length > 0 ? regions : step.regions
  draft.done.push({
    key: step.key,
    beganAt,
    endedAt: at,
    heldMs: Math.min(heldMs, at - beganAt),
    version: event.planVersion,
    ...(where.length === step.regions.length ? {} : { regions: where }),
    ...how,
  })
  clock.began = at
  if (how.skipped !== undefined) return
  if (unconfirmed(draft, context, step).length > 0) draft.unconfirmed.push(step.key)
  const window = context.dwellOf(step, draft.products[step.key]?.productId)
  const lies = whereOf({ ...step, regions: where })
  if (window) draft.resting.push({ key: step.key, ...lies, since: at, ...window })
  takeOff(draft, beganAt, step, context)
}

/** What a step takes off is off where it was taken off; it rests on everywhere else. */
function takeOff(draft: Draft, at: number, step: PlanStep, context: FoldContext): void {
  draft.resting = draft.resting.flatMap((resting): RestingNow[] => {
    const laid = findStep(draft, context, resting.key)
    const lifts = laid !== undefined && takesOff(step.technique, laid.technique)
    if (resting.endedAt !== undefined || !lifts) return [resting]
    const endedAt = Math.max(at, resting.since)
    const off = common(resting, step)
    const still = resting.regions.filter((region) => !off.includes(region))
    if (resting.regions.length === 0) return [{ ...resting, endedAt }]
    if (off.length === 0) return [resting]
    if (still.length === 0) return [{ ...resting, endedAt }]
    return [
      { ...resting, regions: off, endedAt },
      { ...resting, regions: still },
    ]
  })
}

/** Where it was done: not on what was left before it began; broken off, where it was counted. */
function workedOn(
  draft: Draft,
  step: PlanStep,
  beganAt: number,
  { brokenOff }: How,
  { familiesOf }: FoldContext,
) {
  const out = leftOut(step, draft.left, familiesOf, beganAt)
  const regions = step.regions.filter((region) => !out.includes(region))
  const counted = draft.passes[step.key] ?? {}
  const had = step.regions.filter((region) => (counted[region] ?? 0) > 0)
  if (brokenOff !== undefined && had.length > 0) return had
  // Whoever counted on a zone was there, whatever the screen said.
  return step.regions.filter((region) => regions.includes(region) || had.includes(region))
}

/** What rests comes off at this moment, where `which` says so. */
export function closeResting(
  draft: Draft,
  at: number,
  which: (resting: RestingNow) => boolean,
): void {
  draft.resting = draft.resting.map((resting) =>
    resting.endedAt === undefined && which(resting)
      ? { ...resting, endedAt: Math.max(at, resting.since) }
      : resting,
  )
}
