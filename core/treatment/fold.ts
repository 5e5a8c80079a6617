import type { PlanStep } from '../catalogue/techniques/step'
import type { StopStepId } from '../catalogue/rules/stopRules'
import type { RegionId } from '../face/zones'
import type { Grade, Readings } from '../skin/readings'
import { takesOff } from '../timing/removal'
import type { DwellFor } from '../timing/schedule'
import { inOrder, type EventBody, type TreatmentEvent } from './events'
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
  notes: readonly { at: number; text: string }[]
  replans: readonly { at: number; version: number; reason: string }[]
}

export interface FoldContext {
  /** Steps of every version of the plan, by number. */
  plans: Readonly<Record<number, readonly PlanStep[]>>
  dwellOf: DwellFor
  /** Redness of each region when the treatment started. */
  baseline: Partial<Record<RegionId, Grade>>
}

/** The state of the room after these taps. Order of arrival and doubles do not matter. */
export function fold(events: readonly TreatmentEvent[], context: FoldContext): RoomState {
  const s: Draft = {
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
    notes: [],
    replans: [],
  }
  const clock: Clock = { since: 0, heldInStep: 0 }
  for (const e of inOrder(events)) apply(s, clock, e, context)
  if (s.startedAt !== undefined && s.finishedAt === undefined) {
    const next = nextStep(s, context)
    if (next) s.current = { key: next.key, since: clock.since }
  }
  return s
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

function nextStep(s: Draft, c: FoldContext): PlanStep | undefined {
  const ended = new Set(s.done.map((d) => d.key))
  return (c.plans[s.version] ?? []).find((p) => !ended.has(p.key))
}
const findStep = (s: Draft, c: FoldContext, key: string): PlanStep | undefined =>
  (c.plans[s.version] ?? []).find((p) => p.key === key) ??
  Object.values(c.plans)
    .flat()
    .find((p) => p.key === key)

function apply(s: Draft, clock: Clock, e: TreatmentEvent, c: FoldContext): void {
  const b = e.body
  switch (b.kind) {
    case 'started':
      if (s.startedAt !== undefined) return
      s.startedAt = e.at
      clock.since = e.at
      return
    case 'stepDone':
    case 'stepSkipped':
      return endStep(s, clock, e, b, c)
    case 'held':
      s.heldSince ??= e.at
      return
    case 'resumed':
      return resume(s, clock, e.at)
    case 'redness':
    case 'sensation':
    case 'sign':
      return react(s, e, b, c)
    case 'stopped':
      return stop(s, e.at, b.reason, false)
    case 'finished':
      if (s.finishedAt !== undefined) return
      s.finishedAt = e.at
      return closeResting(s, e.at, () => true)
    default:
      return keep(s, e.at, b)
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
function keep(s: Draft, at: number, b: Kept): void {
  switch (b.kind) {
    case 'passDone': {
      const of = s.passes[b.key] ?? {}
      s.passes[b.key] = { ...of, [b.region]: (of[b.region] ?? 0) + 1 }
      return
    }
    case 'reading':
      s.readings = b.zones
      return
    case 'stopStep':
      if (s.stopped && !s.stopped.steps.includes(b.step))
        s.stopped = { ...s.stopped, steps: [...s.stopped.steps, b.step] }
      return
    case 'contraAction':
      s.contraActions.push({ at, body: b })
      return
    case 'settingChanged':
      s.settings[b.key] = b.setting
      return
    case 'productSwapped':
      s.products[b.key] = { productId: b.productId, reason: b.reason }
      return
    case 'amountTaken':
      s.taken[b.key] = { productId: b.productId, lotId: b.lotId, millilitres: b.millilitres }
      return
    case 'replanned':
      if (b.version <= s.version) return
      s.version = b.version
      s.replans.push({ at, version: b.version, reason: b.reason })
      return
    case 'note':
      s.notes.push({ at, text: b.text })
      return
    default:
      // Does not compile while a kind of tap has nothing that follows from it.
      b satisfies never
  }
}

function resume(s: Draft, clock: Clock, at: number): void {
  if (s.heldSince === undefined) return
  const ms = at - s.heldSince
  s.heldMs += ms
  clock.heldInStep += ms
  clock.since += ms
  delete s.heldSince
}

/** A step ends once: a second tablet's tap on the same step changes nothing. */
function endStep(
  s: Draft,
  clock: Clock,
  e: TreatmentEvent,
  b: Extract<EventBody, { kind: 'stepDone' | 'stepSkipped' }>,
  c: FoldContext,
): void {
  if (s.startedAt === undefined || s.done.some((d) => d.key === b.key)) return
  s.done.push({
    key: b.key,
    beganAt: Math.min(clock.since, e.at),
    endedAt: e.at,
    heldMs: clock.heldInStep,
    version: e.planVersion,
    ...(b.kind === 'stepSkipped' ? { skipped: b.reason } : { cue: b.cue }),
  })
  clock.since = e.at
  clock.heldInStep = 0
  const step = findStep(s, c, b.key)
  if (!step || b.kind === 'stepSkipped') return
  const window = c.dwellOf(step)
  if (window) s.resting.push({ key: step.key, regions: step.regions, since: e.at, ...window })
  const began = s.done[s.done.length - 1]?.beganAt ?? e.at
  closeResting(s, began, (r) => {
    const laid = findStep(s, c, r.key)
    return (
      laid !== undefined &&
      takesOff(step.technique, laid.technique) &&
      r.regions.some((x) => step.regions.includes(x))
    )
  })
}

function closeResting(s: Draft, at: number, which: (r: RestingNow) => boolean): void {
  s.resting = s.resting.map((r) =>
    r.endedAt === undefined && which(r) ? { ...r, endedAt: Math.max(at, r.since) } : r,
  )
}

function react(s: Draft, e: TreatmentEvent, b: Reaction['body'], c: FoldContext): void {
  const step = b.key === null ? undefined : findStep(s, c, b.key)
  const baseline = b.region === null ? 0 : (c.baseline[b.region] ?? 0)
  const judgement = judge(b, baseline, step?.technique)
  if (!judgement) return
  s.reactions.push({ at: e.at, body: b, judgement })
  if (judgement.act === 'endZone' && b.key !== null && b.region !== null)
    s.endedZones[b.key] = [...new Set([...(s.endedZones[b.key] ?? []), b.region])]
  if (judgement.act === 'stop') stop(s, e.at, judgement.text, judgement.callHelp)
}

function stop(s: Draft, at: number, reason: string, callHelp: boolean): void {
  if (s.stopped) {
    if (callHelp) s.stopped = { ...s.stopped, callHelp: true }
    return
  }
  s.stopped = { at, reason, callHelp, steps: [] }
}
