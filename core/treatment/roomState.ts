import type { AbsorbedGrade } from '../catalogue/products/watering'
import type { PlanStep } from '../catalogue/techniques/step'
import type { StopStepId } from '../catalogue/rules/stopRules'
import type { RegionId } from '../face/zones'
import type { Grade, Readings } from '../skin/readings'
import type { DwellFor } from '../timing/schedule'
import type { EventBody } from './events'
import type { Judgement } from './stop'

export interface DoneStep {
  key: string
  /** The moment it began, holds not taken out. */
  beganAt: number
  endedAt: number
  /** How long of that was held. */
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
 * Work that the rules do not allow and that was done all the same: it is kept and said, never
 * dropped.
 */
export interface Breach {
  at: number
  key: string
  what: 'afterStop' | 'passOver'
  /** Who tapped it, where the house says so. */
  by?: string
}
/** A tap that points to nothing: no such step, no such plan. It changes nothing. */
export interface Unknown {
  at: number
  kind: EventBody['kind']
  names: string
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
  /** How each zone took what a step laid on it, by step. */
  absorbed: Readonly<Record<string, Partial<Record<RegionId, AbsorbedGrade>>>>
  products: Readonly<Record<string, { productId: string; reason: string }>>
  taken: Readonly<Record<string, { productId: string; lotId: string; millilitres: number }>>
  /** What was confirmed before a step, by step. */
  confirmed: Readonly<Record<string, { at: number; rules: readonly string[] }>>
  /** Steps ended although something was not confirmed before. */
  unconfirmed: readonly string[]
  notes: readonly { at: number; text: string }[]
  replans: readonly { at: number; version: number; reason: string }[]
  breaches: readonly Breach[]
  unknown: readonly Unknown[]
}

export interface FoldContext {
  /** Steps of every version of the plan, by number. */
  plans: Readonly<Record<number, readonly PlanStep[]>>
  dwellOf: DwellFor
  /** Rules whose confirmation a step waits for. */
  confirmsOf?: (step: PlanStep) => readonly string[]
  /** Redness of each region when the treatment started. */
  baseline: Partial<Record<RegionId, Grade>>
  /** Regions whose baseline was read on bare skin; without it all of the baseline counts as bare. */
  readBare?: readonly RegionId[]
}
