import type { TreatmentEvent } from '#core/treatment/taps/events'
import { useTablet } from '~/composables/tablet'
import { useApi } from '~/composables/useApi'
import { useVisit } from '~/stores/visit'

const AGAIN_MS = 3000
/** What the stream says: taps of others, which bottles are called back, when answers were kept last. */
interface Heard {
  events: TreatmentEvent[]
  recalled: string[]
  toldAt: number | null
  now: number
}

/**
 * Another tablet's taps arrive here; after a break everything is fetched once.
 * @param opened called each time the line to the house stands again
 */
export function useTapStream(opened: () => void) {
  const visit = useVisit()
  const api = useApi()
  const { name: tablet } = useTablet()
  let stream: EventSource | undefined
  let again: ReturnType<typeof setTimeout> | undefined

  /** The other tablets that show this visit, by name. */
  const others = ref<string[]>([])

  async function fetchTaps(id: string): Promise<void> {
    const askedAt = Date.now()
    await take(id, await api<Heard>(`/api/visits/${id}/events`), askedAt)
  }
  /** A bottle that is called back is called back in this room too, before its step. */
  function callBack(lotIds: readonly string[], at: number) {
    const shelf = visit.bundle?.shelf ?? []
    const fresh = shelf.some(({ lots }) =>
      lots.some(({ id, recalled }) => !recalled && lotIds.includes(id)),
    )
    if (!fresh) return
    visit.put({
      shelf: shelf.map((item) => ({
        ...item,
        lots: item.lots.map((lot) =>
          !lot.recalled && lotIds.includes(lot.id)
            ? { ...lot, recalled: true, recalledAt: at }
            : lot,
        ),
      })),
    })
  }
  /** Taps are only ever added: what is here already stays. */
  async function take(id: string, { events, recalled, toldAt, now }: Heard, askedAt: number) {
    if (visit.bundle?.visit.id !== id) return
    callBack(recalled, now)
    visit.measureClock(now, askedAt)
    const versions = visit.bundle.plans.map((plan) => plan.version)
    const isNew = ({ body }: TreatmentEvent) =>
      body.kind === 'replanned' && !versions.includes(body.version)
    // Another plan, or an answer that was told on another tablet, changes more than the taps.
    if (events.some(isNew) || toldAt !== (visit.bundle.answerVersions[0]?.at ?? null)) {
      await visit.reload()
      return
    }
    const arrived = new Set(events.map((event) => event.id))
    const before = visit.bundle.events.filter((event) => !arrived.has(event.id))
    visit.put({ events: [...events, ...before] })
  }

  function listen(): void {
    const id = visit.bundle?.visit.id
    if (!id || typeof EventSource === 'undefined') return
    stream = new EventSource(`/api/visits/${id}/stream?tablet=${encodeURIComponent(tablet.value)}`)
    // Where fetching fails, the next word of the stream tries again.
    const fetchAll = () => void fetchTaps(id).catch(() => {})
    stream.addEventListener('taps', ({ data }: MessageEvent<string>) => {
      void take(id, JSON.parse(data) as Heard, Date.now()).catch(() => {})
    })
    stream.addEventListener('others', ({ data }: MessageEvent<string>) => {
      others.value = JSON.parse(data) as string[]
    })
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
  return { others, listen, close }
}
