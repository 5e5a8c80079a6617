import type { PlanStep } from '../catalogue/techniques/step'
import type { TechniqueId } from '../catalogue/techniques/techniques'
import type { RegionId } from '../face/zones'
import { takesOff } from '../timing/removal'
import { breachesOf } from './breaches'
import { unconfirmed } from './confirm'
import { inOrder, type EventBody, type TreatmentEvent } from './events'
import type { FoldContext, Reaction, RestingNow, RoomState } from './roomState'
import { judge } from './stop'

export type { Breach, DoneStep, FoldContext, Reaction, RestingNow, RoomState } from './roomState'

/** The state of the room after these taps. Order of arrival and doubles do not matter. */
export function fold(events: readonly TreatmentEvent[], context: FoldContext): RoomState {
  const draft: Draft = {
    version: 1,
    done: [],
    heldMs: 0,
    resting: [],
    passes: {},
    endedZones: {},
    reactions: [],
    contraActions: [],
    settings: {},
    absorbed: {},
    products: {},
    taken: {},
    confirmed: {},
    unconfirmed: [],
    notes: [],
    replans: [],
    breaches: [],
    unknown: [],
  }
  const clock: Clock = { began: 0, heldInStep: 0 }
  for (const event of inOrder(events)) apply(draft, clock, event, context)
  if (draft.startedAt !== undefined && draft.finishedAt === undefined) {
    const next = nextStep(draft, context)
    if (next) draft.current = { key: next.key, since: clock.began + clock.heldInStep }
  }
  return draft
}

type Draft = {
  -readonly [K in keyof RoomState]: RoomState[K] extends readonly (infer T)[]
    ? T[]
    : RoomState[K] extends Readonly<Record<string, infer V>>
      ? Record<string, V>
      : RoomState[K]
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

type Kept = Exclude<
  EventBody,
  {
    kind:
      | 'started'
      | 'stepDone'
      | 'stepSkipped'
      | 'held'
      | 'resumed'
      | 'redness'
      | 'sensation'
      | 'sign'
      | 'stopped'
      | 'finished'
  }
>

/** Taps that are only kept: nothing follows from them but that they are there. */
function keep(draft: Draft, at: number, kept: Kept): void {
  switch (kept.kind) {
    case 'passDone': {
      const of = draft.passes[kept.key] ?? {}
      draft.passes[kept.key] = { ...of, [kept.region]: (of[kept.region] ?? 0) + 1 }
      return
    }
    case 'reading':
      draft.readings = kept.zones
      return
    case 'stopStep':
      if (draft.stopped && !draft.stopped.steps.includes(kept.step))
        draft.stopped = { ...draft.stopped, steps: [...draft.stopped.steps, kept.step] }
      return
    case 'contraAction':
      draft.contraActions.push({ at, body: kept })
      return
    case 'absorbed':
      draft.absorbed[kept.key] = { ...draft.absorbed[kept.key], [kept.region]: kept.grade }
      return
    case 'settingChanged':
      draft.settings[kept.key] = kept.setting
      return
    case 'productSwapped':
      draft.products[kept.key] = { productId: kept.productId, reason: kept.reason }
      return
    case 'amountTaken':
      draft.taken[kept.key] = {
        productId: kept.productId,
        lotId: kept.lotId,
        millilitres: kept.millilitres,
      }
      return
    case 'replanned':
      if (kept.version <= draft.version) return
      draft.version = kept.version
      draft.replans.push({ at, version: kept.version, reason: kept.reason })
      return
    case 'confirmed': {
      const rules = new Set([...(draft.confirmed[kept.key]?.rules ?? []), ...kept.rules])
      draft.confirmed[kept.key] = { at, rules: [...rules] }
      return
    }
    case 'note':
      draft.notes.push({ at, text: kept.text })
      return
    default:
      // Does not compile while a kind of tap has nothing that follows from it.
      kept satisfies never
  }
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
  extract: Extract<EventBody, { kind: 'stepDone' | 'stepSkipped' }>,
  context: FoldContext,
): void {
  if (draft.startedAt === undefined || draft.done.some((step) => step.key === extract.key)) return
  // A hold that runs on over the end of a step belongs to both, each with its own part.
  const holding = draft.heldSince !== undefined
  resume(draft, clock, event.at)
  if (holding) draft.heldSince = event.at
  const beganAt = Math.min(clock.began, event.at)
  draft.done.push({
    key: extract.key,
    beganAt,
    endedAt: event.at,
    heldMs: Math.min(clock.heldInStep, event.at - beganAt),
    version: event.planVersion,
    ...(extract.kind === 'stepSkipped' ? { skipped: extract.reason } : { cue: extract.cue }),
  })
  clock.began = event.at
  clock.heldInStep = 0
  const step = findStep(draft, context, extract.key)
  if (!step || extract.kind === 'stepSkipped') return
  if (unconfirmed(draft, context, step).length > 0) draft.unconfirmed.push(step.key)
  const window = context.dwellOf(step)
  if (window)
    draft.resting.push({ key: step.key, regions: step.regions, since: event.at, ...window })
  const began = draft.done[draft.done.length - 1]?.beganAt ?? event.at
  closeResting(draft, began, (resting) => {
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
  if (judgement.act === 'stop') stop(draft, event.at, judgement.text, judgement.callHelp)
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

function stop(draft: Draft, at: number, reason: string, callHelp: boolean): void {
  if (!draft.stopped) draft.stopped = { at, reason, callHelp, steps: [] }
  else if (callHelp) draft.stopped = { ...draft.stopped, callHelp: true }
}
