import type { PlanStep } from '../catalogue/techniques/step'
import type { TechniqueId } from '../catalogue/techniques/techniques'
import type { Side } from '../face/sides'
import type { RegionId } from '../face/zones'
import { takesOff } from '../timing/removal'
import { breachesOf } from './breaches'
import { unconfirmed } from './confirm'
import { inOrder, type EventBody, type TreatmentEvent } from './events'
import { keep } from './kept'
import {
  emptyRoom,
  type DoneStep,
  type Draft,
  type FoldContext,
  type Reaction,
  type RestingNow,
  type RoomState,
} from './roomState'
import { isCalmed, judge } from './stop'
import { whatCounts } from './takenBack'
import { fromMilliseconds, toMilliseconds } from '../units'

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

/** Of the step at hand: when it began, and how long it was held so far. */
interface Clock {
  began: number
  heldInStep: number
}

function nextStep(draft: Draft, context: FoldContext): PlanStep | undefined {
  const ended = new Set(draft.done.map((step) => step.key))
  return (context.plans[draft.version] ?? []).find((plan) => !ended.has(plan.key))
}
const findStep = (draft: Draft, context: FoldContext, key: string): PlanStep | undefined =>
  (context.plans[draft.version] ?? []).find((plan) => plan.key === key) ??
  Object.values(context.plans)
    .flat()
    .find((plan) => plan.key === key)

const techniqueOf = (draft: Draft, context: FoldContext, key: string): TechniqueId | undefined =>
  findStep(draft, context, key)?.technique

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
  const technique =
    'key' in eventBody && eventBody.key !== null && techniqueOf(draft, context, eventBody.key)
  if (technique) draft.breaches.push(...breachesOf(draft, event, technique))
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
    case 'redness':
    case 'sensation':
    case 'sign':
      return react(draft, event, eventBody, context)
    case 'stopped':
      return stop(draft, event.at, eventBody.reason, false)
    case 'finished':
      if (draft.finishedAt !== undefined) return
      resume(draft, clock, event.at)
      draft.finishedAt = event.at
      return closeResting(draft, event.at, () => true)
    default:
      return keep(draft, event.at, eventBody)
  }
}

/** Milliseconds that the step at hand has run at a moment, holds taken out. */
const ranAt = (draft: Draft, { began, heldInStep }: Clock, at: number): number =>
  Math.max(0, (draft.heldSince ?? at) - began - heldInStep)

/** The hand goes to a side, or rests; a step that is over is timed no more. */
function turnTo(draft: Draft, key: string, side: Side | null, ran: number): void {
  if (draft.done.some((step) => step.key === key)) return
  draft.sides[key] = [...(draft.sides[key] ?? []), { side, ran }]
}

function resume(draft: Draft, clock: Clock, at: number): void {
  if (draft.heldSince === undefined) return
  const ms = Math.max(0, at - Math.max(draft.heldSince, clock.began))
  draft.heldMs += ms
  clock.heldInStep += ms
  delete draft.heldSince
}

/** A step ends once: a second tablet's tap on the same step changes nothing. */
function endStep(
  draft: Draft,
  clock: Clock,
  event: TreatmentEvent,
  tap: Extract<EventBody, { kind: 'stepDone' | 'stepSkipped' }>,
  context: FoldContext,
): void {
  const isOver = (key: string) => draft.done.some((step) => step.key === key)
  if (draft.startedAt === undefined) {
    draft.unknown.push({ at: event.at, kind: tap.kind, names: `${tap.key} before the start` })
    return
  }
  if (isOver(tap.key)) return
  if (draft.sides[tap.key]) turnTo(draft, tap.key, null, ranAt(draft, clock, event.at))
  // A hold that runs on over the end of a step belongs to both, each with its own part.
  const holding = draft.heldSince !== undefined
  resume(draft, clock, event.at)
  if (holding) draft.heldSince = event.at
  const own = findStep(draft, context, tap.key)
  if (tap.kind === 'stepDone') {
    const ticks = (tap.with ?? []).flatMap((key) => findStep(draft, context, key) ?? [])
    const open = ticks.filter(({ key }) => key !== tap.key && !isOver(key))
    for (const { step, ms } of shared(open, own, event.at - clock.began - clock.heldInStep))
      ended(draft, clock, { step, at: clock.began + ms, event, heldMs: 0 }, { cue: true }, context)
    if (tap.swept) draft.swept.push({ at: event.at, key: tap.key, spots: tap.swept })
  }
  const how =
    tap.kind === 'stepSkipped'
      ? { skipped: tap.reason }
      : { cue: tap.cue, ...(tap.because === undefined ? {} : { because: tap.because }) }
  if (own)
    ended(draft, clock, { step: own, at: event.at, event, heldMs: clock.heldInStep }, how, context)
  clock.heldInStep = 0
}

/**
 * How long each tick inside a main step took, which end with its one tap: as planned where there
 * was time for it, else its share of the time there was.
 * @param ms hands-on milliseconds of all of them with the main step
 */
function shared(ticks: readonly PlanStep[], main: PlanStep | undefined, ms: number) {
  const all = plannedMs([...ticks, ...(main ? [main] : [])])
  const scale = all > 0 ? Math.min(1, Math.max(0, ms) / all) : 0
  return ticks.map((step) => ({ step, ms: Math.floor(plannedMs([step]) * scale) }))
}
const plannedMs = (steps: readonly PlanStep[]) =>
  toMilliseconds(steps.reduce((sum, step) => sum + step.minutes, 0))

interface Ending {
  step: PlanStep
  at: number
  heldMs: number
  event: TreatmentEvent
}
/** One step is over: what it laid rests from now, what it took off is off since it began. */
function ended(
  draft: Draft,
  clock: Clock,
  { step, at, heldMs, event }: Ending,
  how: Pick<DoneStep, 'skipped' | 'cue' | 'because'>,
  context: FoldContext,
): void {
  const beganAt = Math.min(clock.began, at)
  draft.done.push({
    key: step.key,
    beganAt,
    endedAt: at,
    heldMs: Math.min(heldMs, at - beganAt),
    version: event.planVersion,
    ...how,
  })
  clock.began = at
  if (how.skipped !== undefined) return
  if (unconfirmed(draft, context, step).length > 0) draft.unconfirmed.push(step.key)
  const window = context.dwellOf(step)
  if (window) draft.resting.push({ key: step.key, regions: step.regions, since: at, ...window })
  closeResting(draft, beganAt, (resting) => {
    const laid = findStep(draft, context, resting.key)
    return (
      laid !== undefined &&
      takesOff(step.technique, laid.technique) &&
      resting.regions.some((region) => step.regions.includes(region))
    )
  })
}

function closeResting(draft: Draft, at: number, which: (resting: RestingNow) => boolean): void {
  draft.resting = draft.resting.map((resting) =>
    resting.endedAt === undefined && which(resting)
      ? { ...resting, endedAt: Math.max(at, resting.since) }
      : resting,
  )
}

function react(
  draft: Draft,
  event: TreatmentEvent,
  ownBody: Reaction['body'],
  context: FoldContext,
): void {
  const { key, region } = ownBody
  const judgement = judge(ownBody, {
    baseline: region === null ? 0 : (context.baseline[region] ?? 0),
    readBare: region === null || (context.readBare?.includes(region) ?? true),
    lying: lyingOn(draft, context, key, region),
  })
  if (!judgement) return
  draft.reactions.push({ at: event.at, body: ownBody, judgement })
  if (judgement.act === 'endZone' && key !== null && region !== null)
    draft.endedZones[key] = [...new Set([...(draft.endedZones[key] ?? []), region])]
  if (judgement.act === 'shorten') shorten(draft, event.at, region)
  if (judgement.act === 'stop') stop(draft, event.at, judgement.text, judgement.callHelp)
}

/** What stings there has half of what was left to it, and may come off from now. */
function shorten(draft: Draft, at: number, region: RegionId | null): void {
  draft.resting = draft.resting.map((resting) => {
    const there = region === null || resting.regions.includes(region)
    if (resting.endedAt !== undefined || !there) return resting
    const ran = fromMilliseconds(Math.max(0, at - resting.since))
    const left = Math.max(0, resting.latest - ran)
    return {
      ...resting,
      earliest: Math.min(resting.earliest, ran),
      latest: Math.min(resting.latest, ran + left / 2),
      shortened: true,
    }
  })
}

/** What is being done on a zone: the step at hand, and everything that still rests there. */
function lyingOn(
  draft: Draft,
  context: FoldContext,
  key: string | null,
  region: RegionId | null,
): TechniqueId[] {
  const keys = draft.resting
    .filter((one) => one.endedAt === undefined)
    .filter((one) => region === null || one.regions.includes(region))
    .map((one) => one.key)
  return [...(key === null ? [] : [key]), ...keys].flatMap(
    (own) => techniqueOf(draft, context, own) ?? [],
  )
}

/** A stop after the calm that followed an earlier one is a stop of its own: its path begins anew. */
function stop(draft: Draft, at: number, reason: string, callHelp: boolean): void {
  const before = draft.stopped
  if (before && !isCalmed(draft, before.at)) {
    if (callHelp) draft.stopped = { ...before, callHelp: true }
    return
  }
  const why = before ? `${before.reason} Then again: ${reason}` : reason
  draft.stopped = { at, reason: why, callHelp, steps: [], doneAt: {} }
}
