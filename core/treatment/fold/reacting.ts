import type { TechniqueId } from '../../catalogue/techniques/techniques'
import { techniqueOf } from '../../catalogue/techniques/ownWay'
import { shortName } from '../../catalogue/techniques/traits'
import { RED_FROM } from '../../catalogue/rules/redSkin'
import type { RegionId } from '../../face/zones'
import { fromMilliseconds } from '../../units'
import { breakOff } from './ending'
import type { EventBody, TreatmentEvent } from '../taps/events'
import { leave } from '../stop/leftZones'
import type { Draft, FoldContext, Reaction, RestingNow } from './roomState'
import { isCalmed, judge } from '../stop/stop'
import { findStep, momentNow, nextStep, techniqueAt, type Clock } from './walking'

type Reacted = Reaction['body']

/** What a reaction does: said, left from now on, off first, or the end of it. */
export function react(
  draft: Draft,
  clock: Clock,
  event: TreatmentEvent,
  body: Reacted,
  context: FoldContext,
): void {
  const { key, region } = body
  const lying = lyingOn(draft, context, key, region)
  const judgement = judge(body, {
    baseline: region === null ? 0 : (context.baseline[region] ?? 0),
    readBare: region === null || (context.readBare?.includes(region) ?? true),
    lying,
  })
  if (!judgement) return
  draft.reactions.push({ at: event.at, body, judgement })
  if (judgement.act === 'endZone' && key !== null && region !== null)
    draft.endedZones[key] = [...new Set([...(draft.endedZones[key] ?? []), region])]
  if (judgement.act === 'shorten' || judgement.act === 'endZone')
    offFirst(draft, clock, event, region, context)
  if (judgement.act === 'stop')
    stop(draft, clock, event, { reason: judgement.text, callHelp: judgement.callHelp }, context)
  leaveZones(draft, context, event.at, body, judgement.act)
}

/** Red, reddened or stung: the zone leaves whatever is still to come that its state bars. */
function leaveZones(
  draft: Draft,
  context: FoldContext,
  at: number,
  body: Reacted,
  act: Reaction['judgement']['act'],
): void {
  if (body.kind === 'sign') return
  const { grade, region } = body
  if (body.kind === 'redness') {
    if (region !== null && (act === 'endZone' || act === 'stop' || grade >= RED_FROM))
      leave(draft, region, { at, why: 'reddened', grade })
    return
  }
  if (act === 'keep') return
  const step = body.key === null ? undefined : findStep(draft, context, body.key)
  const resting = draft.resting.filter(({ endedAt }) => endedAt === undefined)
  // Where it stings is not said: wherever something lies or is worked.
  const where =
    region === null
      ? [...(step?.regions ?? []), ...resting.flatMap(({ regions }) => regions)]
      : [region]
  for (const zone of where) leave(draft, zone, { at, why: 'stung', grade })
}

/**
 * What lies where it stings comes off before anything else; what is just being laid there is laid
 * no further. What the hands do meanwhile is broken off for it.
 */
function offFirst(
  draft: Draft,
  clock: Clock,
  event: TreatmentEvent,
  region: RegionId | null,
  context: FoldContext,
): void {
  const here = (regions: readonly RegionId[]) => region === null || regions.includes(region)
  const atHand = momentNow(draft, context)?.main
  const laying = atHand && techniqueOf(atHand).dwell && here(atHand.regions)
  if (laying) breakOff(draft, clock, event, { why: CAME_OFF_FIRST, byClock: true }, context)
  markOff(draft, event.at, ({ regions }) => here(regions))
  if (atHand && !laying && nextStep(draft, context)?.key !== atHand.key)
    breakOffOther(draft, clock, event, atHand.key, CAME_OFF_FIRST, context)
}
const CAME_OFF_FIRST = 'broken off: what lay on the skin came off first'

/** What rests, as far as it is meant, comes off before anything else and sooner than it would. */
function markOff(draft: Draft, at: number, meant: (resting: RestingNow) => boolean): void {
  draft.resting = draft.resting.map((resting) => {
    if (resting.endedAt !== undefined || !meant(resting)) return resting
    const ran = fromMilliseconds(Math.max(0, at - resting.since))
    const left = Math.max(0, resting.latest - ran)
    return {
      ...resting,
      earliest: Math.min(resting.earliest, ran),
      latest: Math.min(resting.latest, ran + left / 2),
      comesOffFirst: true,
    }
  })
}

/** What rests is not for this client any more: its removal is the step at hand, and it is kept why. */
export function offNow(
  draft: Draft,
  clock: Clock,
  event: TreatmentEvent,
  { key, because }: Extract<EventBody, { kind: 'offNow' }>,
  context: FoldContext,
): void {
  const laid = draft.resting.some((own) => own.key === key && own.endedAt === undefined)
  const step = findStep(draft, context, key)
  if (!laid || !step) return
  const atHand = momentNow(draft, context)?.main
  markOff(draft, event.at, (resting) => resting.key === key)
  if (atHand && nextStep(draft, context)?.key !== atHand.key)
    breakOffOther(draft, clock, event, atHand.key, CAME_OFF_FIRST, context)
  draft.notes.push({ at: event.at, text: `${shortName(step)} taken off early: ${because}` })
}

/** The step that the hands were at gives way, if it had begun. */
function breakOffOther(
  draft: Draft,
  clock: Clock,
  event: TreatmentEvent,
  key: string,
  why: string,
  context: FoldContext,
): void {
  const first = draft.resting
  draft.resting = first.map(({ comesOffFirst: _later, ...own }) => own)
  if (momentNow(draft, context)?.main.key === key)
    breakOff(draft, clock, event, { why, byClock: true }, context)
  const marked = new Set(first.flatMap((own) => (own.comesOffFirst ? [own.key] : [])))
  draft.resting = draft.resting.map((own) =>
    marked.has(own.key) && own.endedAt === undefined ? { ...own, comesOffFirst: true } : own,
  )
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
    (own) => techniqueAt(draft, context, own) ?? [],
  )
}

/**
 * A stop after the calm that followed an earlier one is a stop of its own: its path begins anew. The
 * work that was under way ends with it, and counts.
 */
export function stop(
  draft: Draft,
  clock: Clock,
  event: TreatmentEvent,
  { reason, callHelp }: { reason: string; callHelp: boolean },
  context: FoldContext,
): void {
  const before = draft.stopped
  if (before && !isCalmed(draft, before.at)) {
    if (callHelp) draft.stopped = { ...before, callHelp: true }
    return
  }
  breakOff(draft, clock, event, { why: 'stopped', byClock: true }, context)
  const why = before ? `${before.reason} Then again: ${reason}` : reason
  draft.stopped = { at: event.at, reason: why, callHelp, steps: [], doneAt: {} }
}
