import type { z } from 'zod'
import type { eventBody, suspectedWork, treatmentEvent } from './eventShapes'

export type SuspectedWork = z.infer<typeof suspectedWork>
export type EventBody = z.infer<typeof eventBody>
/** One tap, and who tapped it, by name, once the house has it. */
export type TreatmentEvent = z.infer<typeof treatmentEvent> & { by?: string }

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
