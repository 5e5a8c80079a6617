import type { TreatmentEvent } from '#core/treatment/taps/events'
import { dropTaps, keepTap, unsentTaps } from '~/composables/keep'

/** How long the room waits for the device's store before it goes on without it. */
const STORE_MS = 1000
const UNKEPT = 'This tablet keeps no taps: stay on this page until all are sent.'
const pause = (wait: number) => new Promise<void>((done) => setTimeout(done, wait))

/**
 * The device's store as the room uses it: asked first, never waited for longer than a moment. A
 * store that is slow, full or shut holds up no hand; that nothing is kept is said.
 */
export function useTapStore() {
  /** Said while this tablet cannot keep what is tapped. */
  const unkept = ref('')
  const told = (work: Promise<unknown>) =>
    work.then(
      () => {
        unkept.value = ''
      },
      () => {
        unkept.value = UNKEPT
      },
    )
  const shortly = (work: Promise<unknown>) => Promise.race([work, pause(STORE_MS)])

  /** Keeps a tap, or says that it cannot; goes on after a moment either way. */
  const keep = (visitId: string, event: TreatmentEvent) => shortly(told(keepTap(visitId, event)))
  /**
   * What this device still holds back of a visit.
   * @param found called with it, later than this returns where the store is slow
   */
  const heldBack = (visitId: string, found: (taps: TreatmentEvent[]) => void) =>
    shortly(told(unsentTaps(visitId).then(found)))
  /** What the house has need not be kept; what cannot be dropped now is sent again, and is one. */
  const drop = (ids: string[]) => void dropTaps(ids).catch(() => {})
  return { unkept, keep, heldBack, drop }
}
