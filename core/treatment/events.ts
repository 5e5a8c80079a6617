import type { AbsorbedGrade } from '../catalogue/products/watering'
import type { SignId, StopStepId } from '../catalogue/rules/stopRules'
import type { RegionId } from '../face/zones'
import type { Readings } from '../skin/readings'

export type EventBody =
  | { kind: 'started' }
  | { kind: 'stepDone'; key: string; cue: boolean }
  | { kind: 'stepSkipped'; key: string; reason: string }
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
      suspected: string | null
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
