import type { TreatmentEvent } from '#core/treatment/events'
import { useApi } from '~/composables/useApi'
import { useVisit } from '~/stores/visit'

const AGAIN_MS = 3000

/**
 * Another tablet's taps arrive here; after a break everything is fetched once.
 * @param opened called each time the line to the house stands again
 */
export function useTapStream(opened: () => void) {
  const visit = useVisit()
  const api = useApi()
  let stream: EventSource | undefined
  let again: ReturnType<typeof setTimeout> | undefined

  async function fetchTaps(id: string): Promise<void> {
    const askedAt = Date.now()
    const { events, now } = await api<{ events: TreatmentEvent[]; now: number }>(
      `/api/visits/${id}/events`,
    )
    if (visit.bundle?.visit.id !== id) return
    visit.measureClock(now, askedAt)
    const known = visit.bundle.plans.map((plan) => plan.version)
    const isNew = ({ body }: TreatmentEvent) =>
      body.kind === 'replanned' && !known.includes(body.version)
    if (events.some(isNew)) {
      await visit.reload()
      return
    }
    // Taps are only ever added: what was acknowledged while this was under way stays.
    const arrived = new Set(events.map((event) => event.id))
    visit.bundle.events = [
      ...events,
      ...visit.bundle.events.filter((event) => !arrived.has(event.id)),
    ]
  }

  function listen(): void {
    const id = visit.bundle?.visit.id
    if (!id || typeof EventSource === 'undefined') return
    stream = new EventSource(`/api/visits/${id}/stream`)
    // Where fetching fails, the next word of the stream tries again.
    const fetchAll = () => void fetchTaps(id).catch(() => {})
    stream.addEventListener('taps', fetchAll)
    stream.addEventListener('open', () => {
      fetchAll()
      opened()
    })
    // A browser gives a stream up for good when something between answers in the server's place.
    stream.addEventListener('error', () => {
      if (stream?.readyState !== EventSource.CLOSED) return
      clearTimeout(again)
      again = setTimeout(listen, AGAIN_MS)
    })
  }
  function close(): void {
    clearTimeout(again)
    stream?.close()
    stream = undefined
  }
  return { listen, close }
}
