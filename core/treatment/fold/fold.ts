import { isUnderWay } from './begun'
import { breachesOf } from './breaches'
import { breakOff, closeResting, endStep, resume, turnTo } from './ending'
import { inOrder, type EventBody, type TreatmentEvent } from '../taps/events'
import { keep } from './kept'
import { leaveRed } from '../stop/leftZones'
import { emptyRoom, type Draft, type FoldContext, type RoomState } from './roomState'
import { offNow, react, stop } from './reacting'
import { isCalmed } from '../stop/stop'
import { whatCounts } from '../taps/takenBack'
import { findStep, momentNow, nextStep, ranAt, type Clock } from './walking'

export type { Breach, DoneStep, FoldContext, Reaction, RestingNow, RoomState } from './roomState'

/** The state of the room after these taps. Order of arrival and doubles do not matter. */
export function fold(events: readonly TreatmentEvent[], context: FoldContext): RoomState {
  const draft = emptyRoom()
  const clock: Clock = { began: 0, heldInStep: 0 }
  for (const event of whatCounts(inOrder(events))) apply(draft, clock, event, context)
  if (draft.startedAt !== undefined && draft.finishedAt === undefined) {
    const next = nextStep(draft, context)
    if (next) draft.current = { key: next.key, since: clock.began + clock.heldInStep }
  }
  return draft
}

/** What a tap names that there is not: a step of no plan, a plan of no number. */
function namesNothing({ body }: TreatmentEvent, draft: Draft, context: FoldContext): string {
  if (body.kind === 'replanned') return context.plans[body.version] ? '' : `plan ${body.version}`
  const key = 'key' in body ? body.key : null
  return key === null || findStep(draft, context, key) ? '' : key
}

function apply(draft: Draft, clock: Clock, event: TreatmentEvent, context: FoldContext): void {
  const eventBody = event.body
  const names = namesNothing(event, draft, context)
  if (names !== '') {
    draft.unknown.push({ at: event.at, kind: eventBody.kind, names })
    return
  }
  const step =
    'key' in eventBody && eventBody.key !== null && findStep(draft, context, eventBody.key)
  if (step) draft.breaches.push(...breachesOf(draft, event, step))
  switch (eventBody.kind) {
    case 'started':
      if (draft.startedAt !== undefined) return
      draft.startedAt = event.at
      clock.began = event.at
      return
    case 'stepDone':
    case 'stepSkipped':
      return endStep(draft, clock, event, eventBody, context)
    case 'held':
      draft.heldSince ??= event.at
      return
    case 'resumed':
      return resume(draft, clock, event.at)
    case 'side':
      return turnTo(draft, eventBody.key, eventBody.side, ranAt(draft, clock, event.at))
    case 'fitted':
      return fit(draft, clock, event.at, eventBody, context)
    case 'redness':
    case 'sensation':
    case 'sign':
      return react(draft, clock, event, eventBody, context)
    case 'offNow':
      return offNow(draft, clock, event, eventBody, context)
    case 'reading':
      keep(draft, event.at, eventBody)
      return leaveRed(draft, event.at, eventBody.zones)
    case 'stopped':
      return stop(draft, clock, event, { reason: eventBody.reason, callHelp: false }, context)
    case 'stopStep':
      keep(draft, event.at, eventBody)
      // Everything is off the skin from here on, whenever the plan that follows says so.
      if (eventBody.step === 'removed') closeResting(draft, event.at, () => true)
      return
    case 'replanned':
      return replan(draft, clock, event, eventBody.version, context)
    case 'finished':
      if (draft.finishedAt !== undefined) return
      breakOff(draft, clock, event, { why: 'finished before its end', byClock: false }, context)
      resume(draft, clock, event.at)
      draft.finishedAt = event.at
      return closeResting(draft, event.at, () => true)
    default:
      return keep(draft, event.at, eventBody)
  }
}

/** A head, an electrode or what it goes over is taken: before the step has begun, or in the middle of it. */
function fit(
  draft: Draft,
  clock: Clock,
  at: number,
  { key, fitting }: Extract<EventBody, { kind: 'fitted' }>,
  context: FoldContext,
): void {
  const atHand = nextStep(draft, context)?.key === key
  const put = { fitting, begun: isUnderWay(draft, key, atHand ? ranAt(draft, clock, at) : 0) }
  draft.fitted[key] = [...(draft.fitted[key] ?? []), put]
}

/** Another plan of the rest: work that is under way and has no place in it ends here, and counts. */
function replan(
  draft: Draft,
  clock: Clock,
  event: TreatmentEvent,
  version: number,
  context: FoldContext,
): void {
  if (event.body.kind !== 'replanned') return
  const atHand = momentNow(draft, context)?.main
  const goesOn = (context.plans[version] ?? []).some(({ key }) => key === atHand?.key)
  const path = draft.stopped !== undefined && !isCalmed(draft, draft.stopped.at)
  if (atHand && !goesOn && version > draft.version)
    breakOff(draft, clock, event, { why: 'left out of the new plan', byClock: !path }, context)
  keep(draft, event.at, event.body)
}
