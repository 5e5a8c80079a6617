import type { TreatmentEvent } from './events'

/** Taps that end a step. */
const ends = ({ body }: TreatmentEvent) => body.kind === 'stepDone' || body.kind === 'stepSkipped'

/**
 * What counts of the taps: the end of a step that was taken back later does not. Nothing is
 * deleted: the tap and its taking back both stay, and whoever reads the taps sees both. A visit
 * that has finished is taken back no more.
 * @param events in their one order (`inOrder`)
 */
export function whatCounts(events: readonly TreatmentEvent[]): TreatmentEvent[] {
  const counts: TreatmentEvent[] = []
  let over = false
  for (const event of events) {
    const { body } = event
    if (body.kind === 'finished') over = true
    if (body.kind !== 'takenBack') counts.push(event)
    else if (!over) {
      const kept = counts.filter(
        (own) => !(ends(own) && 'key' in own.body && own.body.key === body.key),
      )
      counts.length = 0
      counts.push(...kept, event)
    }
  }
  return counts
}
