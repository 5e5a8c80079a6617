import type { AbsorbedGrade } from '../../catalogue/products/watering'
import type { Feel } from '../../catalogue/rules/feel'
import type { PadGrade } from '../../catalogue/rules/pads'
import type { FamilyId } from '../../catalogue/kinds'
import type { SpotId } from '../../catalogue/techniques/residue'
import type { PlanStep } from '../../catalogue/techniques/step'
import type { StopStepId } from '../../catalogue/rules/stopRules'
import type { Side } from '../../face/sides'
import type { RegionId } from '../../face/zones'
import type { Grade, Readings } from '../../skin/readings'
import type { DwellFor } from '../../timing/schedule'
import type { EventBody } from '../taps/events'
import type { Judgement } from '../stop/stop'

export interface DoneStep {
  key: string
  /** The moment it began, holds not taken out. */
  beganAt: number
  endedAt: number
  /** How long of that was held. */
  heldMs: number
  skipped?: string
  cue?: boolean
  /** Why it ended although its cue had not come. */
  because?: string
  /** It had begun and was broken off: what of it was done counts. */
  brokenOff?: string
  /** Zones it was done on, where those are not all that were planned. */
  regions?: readonly RegionId[]
  version: number
}
/** A zone that the skin's own state takes out of what is still to come. */
export interface LeftZone {
  at: number
  why: 'read' | 'reddened' | 'stung'
  grade: number
}
/** From this many milliseconds of the step on the hand is on this side; on none: it rests. */
export interface SideTurn {
  side: Side | null
  ran: number
}
export interface RestingNow {
  key: string
  regions: readonly RegionId[]
  half?: Side
  /** When it was on: a sting may bring its minutes nearer, its chemistry begins here. */
  since: number
  /** It stings or reddens: it comes off before anything else. */
  comesOffFirst?: true
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
  what: 'afterStop' | 'passOver' | 'leftZone'
  /** Who tapped it, where the house says so. */
  by?: string
}
/** A tap that points to nothing: no such step or plan, or the end of a step before the start. */
interface Unknown {
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
  /** Zones that leave every later step which their state bars. */
  left: Readonly<Partial<Record<RegionId, LeftZone>>>
  readings?: Readings
  reactions: readonly Reaction[]
  stopped?: {
    at: number
    reason: string
    callHelp: boolean
    steps: readonly StopStepId[]
    /** When each of them was done. */
    doneAt: Partial<Record<StopStepId, number>>
  }
  contraActions: readonly { at: number; body: Extract<EventBody, { kind: 'contraAction' }> }[]
  settings: Readonly<Record<string, number>>
  /** Since when the device stands where it does, by step. */
  settingSince: Readonly<Record<string, number>>
  /** The level at which the zone was last seen calm, by step. */
  calm: Readonly<Record<string, { at: number; setting: number }>>
  /** What a device on the line said of itself, by step, the latest last. */
  deviceSaid: Readonly<
    Record<string, readonly { at: number; level: number | null; fault: string | null }[]>
  >
  /**
   * Heads, electrodes and what they go over, as they were taken, by step, in their order; and whether the
   * step had begun by then: what was on before that touched nobody.
   */
  fitted: Readonly<Record<string, readonly { fitting: string; begun: boolean }[]>>
  /** How the skin felt to the client after it, by step. */
  felt: Readonly<Record<string, Feel>>
  /** What was counted for a step as a whole. */
  counts: Readonly<Record<string, number>>
  /** Which side the hand was on, by step, by milliseconds into it. */
  sides: Readonly<Record<string, readonly SideTurn[]>>
  /** Pads graded, by step, in their order. */
  pads: Readonly<Record<string, readonly PadGrade[]>>
  /** How often the cue had not come yet. */
  notYet: Readonly<Record<string, number>>
  /** Spots that were looked at and clear, with the step they were looked at in. */
  swept: readonly { at: number; key: string; spots: readonly SpotId[] }[]
  takenBack: readonly { at: number; key: string }[]
  /** How each zone took what a step laid on it, by step. */
  absorbed: Readonly<Record<string, Partial<Record<RegionId, AbsorbedGrade>>>>
  products: Readonly<Record<string, { productId: string; reason: string }>>
  taken: Readonly<
    Record<
      string,
      { at: number; productId: string; lotId: string; millilitres: number; half?: true }
    >
  >
  /** What was confirmed before a step, by step. */
  confirmed: Readonly<Record<string, { at: number; rules: readonly string[] }>>
  /** Why a step went otherwise than planned, by step, as it was last said. */
  reasons: Readonly<Record<string, string>>
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
  /** The window of a step, of another bottle where it was swapped. */
  dwellOf: (step: PlanStep, swapped?: string) => ReturnType<DwellFor>
  /** Rules whose confirmation a step waits for. */
  confirmsOf?: (step: PlanStep) => readonly string[]
  /** What a step is to the rules, by its technique and its bottle. */
  familiesOf?: (step: PlanStep) => readonly FamilyId[]
  /** Redness of each region when the treatment started. */
  baseline: Partial<Record<RegionId, Grade>>
  /** Regions whose baseline was read on bare skin; without it all of the baseline counts as bare. */
  readBare?: readonly RegionId[]
}

/** The same, while the taps are folded into it. */
export type Draft = {
  -readonly [K in keyof RoomState]: RoomState[K] extends readonly (infer T)[]
    ? T[]
    : RoomState[K] extends Readonly<Record<string, infer V>>
      ? Record<string, V>
      : RoomState[K]
}
/** The room before the first tap. */
export const emptyRoom = (): Draft => ({
  version: 1,
  done: [],
  heldMs: 0,
  resting: [],
  passes: {},
  counts: {},
  sides: {},
  pads: {},
  notYet: {},
  swept: [],
  takenBack: [],
  endedZones: {},
  left: {},
  reactions: [],
  contraActions: [],
  settings: {},
  settingSince: {},
  calm: {},
  deviceSaid: {},
  fitted: {},
  felt: {},
  absorbed: {},
  products: {},
  taken: {},
  confirmed: {},
  reasons: {},
  unconfirmed: [],
  notes: [],
  replans: [],
  breaches: [],
  unknown: [],
})
