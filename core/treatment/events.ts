import type { TechniqueId } from '../catalogue/techniques/techniques'
import type { AbsorbedGrade } from '../catalogue/products/watering'
import type { SignId, StopStepId } from '../catalogue/rules/stopRules'
import type { PadGrade } from '../catalogue/rules/pads'
import type { SpotId } from '../catalogue/techniques/residue'
import type { Side } from '../face/sides'
import type { RegionId } from '../face/zones'
import type { Readings } from '../skin/readings'

/** Work that is suspected of a reaction: the tool itself, its level, or the warmth of it. */
export interface SuspectedWork {
  technique: TechniqueId
  what: 'tool' | 'level' | 'warmth'
  /** Where the device stood, in its own unit. */
  level: number | null
}

export type EventBody =
  | { kind: 'started' }
  | {
      kind: 'stepDone'
      key: string
      /** Whether its cue was seen; without it, `because` says why it ended all the same. */
      cue: boolean
      because?: string
      /** Ticks inside this main step that ended with it. */
      with?: readonly string[]
      /** Where what lay on the skin was looked for and is gone. */
      swept?: readonly SpotId[]
    }
  | { kind: 'stepSkipped'; key: string; reason: string }
  /** The end of a step is taken back: it is at hand again. */
  | { kind: 'takenBack'; key: string }
  | { kind: 'notYet'; key: string }
  | { kind: 'padGraded'; key: string; grade: PadGrade }
  /** One more, or one taken back; a zone, or none where it is counted for the whole step. */
  | { kind: 'counted'; key: string; region: RegionId | null; by: 1 | -1 }
  | { kind: 'swept'; key: string; spots: readonly SpotId[] }
  /** Half against half: the hand is on this side now, or on none. */
  | { kind: 'side'; key: string; side: Side | null }
  /** The zone was looked at and asked at this level, and is calm. */
  | { kind: 'calm'; key: string; setting: number }
  /** What the device itself said: the level that is, or what is wrong with it. */
  | { kind: 'deviceSaid'; key: string; level: number | null; fault: string | null }
  | { kind: 'passDone'; key: string; region: RegionId }
  | { kind: 'held' }
  | { kind: 'resumed' }
  | { kind: 'reading'; zones: Readings }
  | { kind: 'redness'; region: RegionId; grade: 0 | 1 | 2 | 3 | 4; key: string | null }
  | { kind: 'sensation'; grade: number; region: RegionId | null; key: string | null }
  | { kind: 'sign'; sign: SignId; region: RegionId | null; key: string | null }
  | { kind: 'stopped'; reason: string }
  | { kind: 'stopStep'; step: StopStepId }
  | {
      kind: 'contraAction'
      what: string
      where: readonly RegionId[]
      done: string
      /** The id of a product. */
      suspected: string | null
      /** A tool, its level or its warmth, where no bottle is meant. */
      suspectedWork?: SuspectedWork
    }
  | { kind: 'absorbed'; key: string; region: RegionId; grade: AbsorbedGrade }
  | { kind: 'settingChanged'; key: string; setting: number }
  | { kind: 'productSwapped'; key: string; productId: string; reason: string }
  | { kind: 'amountTaken'; key: string; productId: string; lotId: string; millilitres: number }
  | { kind: 'replanned'; version: number; reason: string }
  | { kind: 'confirmed'; key: string; rules: readonly string[] }
  | { kind: 'note'; text: string }
  | { kind: 'finished' }

export type EventKind = EventBody['kind']

/** One tap. The id and the time are the device's own; a tap is never changed afterwards. */
export interface TreatmentEvent {
  id: string
  /** Milliseconds since 1970 by the device's clock, corrected for its offset to the house. */
  at: number
  deviceId: string
  /** Counts up on each device, so that two taps in one millisecond keep their order. */
  seq: number
  planVersion: number
  body: EventBody
  /** Who tapped it, by name, once the house has it. */
  by?: string
}

/**
 * One order for one set of taps, whatever the order of arrival: by time, then device, then count.
 * Doubles fall out by id.
 */
export function inOrder(events: readonly TreatmentEvent[]): TreatmentEvent[] {
  const once = new Map<string, TreatmentEvent>()
  for (const event of events) if (!once.has(event.id)) once.set(event.id, event)
  return [...once.values()].sort(
    (one, other) =>
      one.at - other.at ||
      compare(one.deviceId, other.deviceId) ||
      one.seq - other.seq ||
      compare(one.id, other.id),
  )
}
const compare = (one: string, other: string) => (one < other ? -1 : one > other ? 1 : 0)
