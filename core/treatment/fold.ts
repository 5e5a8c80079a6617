import type { PlanStep } from '../catalogue/techniques/step'
import type { StopStepId } from '../catalogue/rules/stopRules'
import type { RegionId } from '../face/zones'
import type { Grade, Readings } from '../skin/readings'
import { takesOff } from '../timing/removal'
import type { DwellFor } from '../timing/schedule'
import { inOrder, type EventBody, type TreatmentEvent } from './events'
import { unconfirmed } from './confirm'
import { judge, type Judgement } from './stop'

export interface DoneStep {
  key: string
  beganAt: number
  endedAt: number
  heldMs: number
  skipped?: string
  cue?: boolean
  version: number
}
export interface RestingNow {
  key: string
  regions: readonly RegionId[]
  since: number
  endedAt?: number
  earliest: number
  latest: number
  late: 'harmless' | 'rewet' | 'removeNow'
}
export interface Reaction {
  at: number
  body: Extract<EventBody, { kind: 'redness' | 'sensation' | 'sign' }>
  judgement: Judgement
}

/**
 * Everything the room screen shows, as a fold over the taps. Times are milliseconds since 1970;
 * clocks derive from them.
 */
export interface RoomState {
  startedAt?: number
  finishedAt?: number
  version: number
  done: readonly DoneStep[]
  /** The step at hand, and since when. */
  current?: { key: string; since: number }
  heldSince?: number
  heldMs: number
  resting: readonly RestingNow[]
  passes: Readonly<Record<string, Partial<Record<RegionId, number>>>>
  endedZones: Readonly<Record<string, readonly RegionId[]>>
  readings?: Readings
  reactions: readonly Reaction[]
  stopped?: { at: number; reason: string; callHelp: boolean; steps: readonly StopStepId[] }
  contraActions: readonly { at: number; body: Extract<EventBody, { kind: 'contraAction' }> }[]
  settings: Readonly<Record<string, number>>
  products: Readonly<Record<string, { productId: string; reason: string }>>
  taken: Readonly<Record<string, { productId: string; lotId: string; millilitres: number }>>
  /** What was confirmed before a step, by step. */
  confirmed: Readonly<Record<string, { at: number; rules: readonly string[] }>>
  /** Steps ended although something was not confirmed before. */
  unconfirmed: readonly string[]
  notes: readonly { at: number; text: string }[]
  replans: readonly { at: number; version: number; reason: string }[]
}

export interface FoldContext {
  /** Steps of every version of the plan, by number. */
  plans: Readonly<Record<number, readonly PlanStep[]>>
  dwellOf: DwellFor
  /** Rules whose confirmation a step waits for. */
  confirmsOf?: (step: PlanStep) => readonly string[]
  /** Redness of each region when the treatment started. */
  baseline: Partial<Record<RegionId, Grade>>
}

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
    products: {},
    taken: {},
    confirmed: {},
    unconfirmed: [],
    notes: [],
    replans: [],
  }
  const clock: Clock = { since: 0, heldInStep: 0 }
  for (const event of inOrder(events)) apply(draft, clock, event, context)
  if (draft.startedAt !== undefined && draft.finishedAt === undefined) {
    const next = nextStep(draft, context)
    if (next) draft.current = { key: next.key, since: clock.since }
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
interface Clock {
  since: number
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

function apply(draft: Draft, clock: Clock, event: TreatmentEvent, context: FoldContext): void {
  const eventBody = event.body
  switch (eventBody.kind) {
    case 'started':
      if (draft.startedAt !== undefined) return
      draft.startedAt = event.at
      clock.since = event.at
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
  const ms = at - draft.heldSince
  draft.heldMs += ms
  clock.heldInStep += ms
  clock.since += ms
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
  draft.done.push({
    key: extract.key,
    beganAt: Math.min(clock.since, event.at),
    endedAt: event.at,
    heldMs: clock.heldInStep,
    version: event.planVersion,
    ...(extract.kind === 'stepSkipped' ? { skipped: extract.reason } : { cue: extract.cue }),
  })
  clock.since = event.at
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
  const step = ownBody.key === null ? undefined : findStep(draft, context, ownBody.key)
  const baseline = ownBody.region === null ? 0 : (context.baseline[ownBody.region] ?? 0)
  const judgement = judge(ownBody, baseline, step?.technique)
  if (!judgement) return
  draft.reactions.push({ at: event.at, body: ownBody, judgement })
  const { key, region } = ownBody
  if (judgement.act === 'endZone' && key !== null && region !== null)
    draft.endedZones[key] = [...new Set([...(draft.endedZones[key] ?? []), region])]
  if (judgement.act === 'stop') stop(draft, event.at, judgement.text, judgement.callHelp)
}

function stop(draft: Draft, at: number, reason: string, callHelp: boolean): void {
  if (!draft.stopped) draft.stopped = { at, reason, callHelp, steps: [] }
  else if (callHelp) draft.stopped = { ...draft.stopped, callHelp: true }
}
