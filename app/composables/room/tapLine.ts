import type { EventBody, TreatmentEvent } from '#core/treatment/taps/events'
import { useTapStream } from '~/composables/room/tapStream'
import { readDraft, writeDraft } from '~/composables/keep'
import { useTapStore } from '~/composables/room/tapStore'
import { isProblem, sayProblem, useApi } from '~/composables/useApi'
import { useVisit } from '~/stores/visit'

const BATCH = 100
const RETRY_MS = 2000
/** A house that has not answered for so long is asked again: the same tap twice is one tap. */
const ANSWER_MS = 10_000
/** A clock is never further behind than this. */
const TICK_MS = 250

/** A tap that is wrong in itself: it will be refused however often it is sent. */
const isBad = (error: unknown) => isProblem(error) && [400, 409, 422].includes(error.status)
/** The server understood and refused: sending the same again will not help by itself. */
const isRefusal = (error: unknown) =>
  isProblem(error) && error.status >= 400 && error.status < 500 && error.status !== 429

/**
 * Taps on their way: on the device and on the screen at once, then to the house, and again until
 * the house has acknowledged them.
 * @param version the plan's version that a tap is done under
 */
export function useTapLine(version: () => number) {
  const visit = useVisit()
  const api = useApi()
  const unsent = shallowRef<TreatmentEvent[]>([])
  const now = ref(Date.now())
  const line = ref<'sent' | 'sending' | 'waiting'>('sent')
  const trouble = ref('')
  /** What became of a tap that the house would not take. */
  const refused = ref('')
  let deviceId = ''
  let seq = 0
  let flushing = false
  /** After a refusal each tap is sent by itself, so that one does not hold back the rest. */
  let singly = false
  let ticking: ReturnType<typeof setInterval> | undefined
  let retry: ReturnType<typeof setTimeout> | undefined
  /** Now by the house's clock. */
  const houseNow = () => Date.now() + visit.clockOffset
  const store = useTapStore()
  const stream = useTapStream(() => void flush())

  /** Begins: the clock by the house's time, and what this device still holds back. */
  async function open(): Promise<void> {
    deviceId = crypto.randomUUID()
    seq = 0
    now.value = houseNow()
    unsent.value = []
    const id = visit.bundle?.visit.id ?? ''
    await store.heldBack(id, (taps) => {
      if (visit.bundle?.visit.id !== id) return
      const here = new Set(unsent.value.map((event) => event.id))
      unsent.value = [...taps.filter((event) => !here.has(event.id)), ...unsent.value]
      void flush()
    })
    ticking = setInterval(() => {
      now.value = houseNow()
    }, TICK_MS)
  }
  function listen(): void {
    void flush()
    stream.listen()
  }
  function close(): void {
    clearInterval(ticking)
    clearTimeout(retry)
    stream.close()
  }

  async function tap(body: EventBody): Promise<void> {
    const id = visit.bundle?.visit.id
    if (!id) return
    const event: TreatmentEvent = {
      id: crypto.randomUUID(),
      at: houseNow(),
      deviceId,
      seq: seq++,
      planVersion: version(),
      body,
    }
    const kept = store.keep(id, event)
    unsent.value = [...unsent.value, event]
    await kept
    void flush()
  }

  async function flush(): Promise<void> {
    const id = visit.bundle?.visit.id
    if (!id || flushing || unsent.value.length === 0) return
    flushing = true
    line.value = 'sending'
    clearTimeout(retry)
    try {
      await send(id, unsent.value.slice(0, singly ? 1 : BATCH))
      trouble.value = ''
      line.value = unsent.value.length > 0 ? 'sending' : 'sent'
      flushing = false
      if (unsent.value.length > 0) void flush()
    } catch (error) {
      flushing = false
      if (isBad(error)) {
        if (singly) await setAside(id, sayProblem(error))
        else singly = true
        if (unsent.value.length > 0) void flush()
        return
      }
      line.value = 'waiting'
      if (isRefusal(error)) trouble.value = sayProblem(error)
      retry = setTimeout(() => void flush(), RETRY_MS)
    }
  }

  /** The first tap stays on this device, beside the line: it is not sent again by itself. */
  async function setAside(id: string, why: string): Promise<void> {
    const [bad] = unsent.value
    if (!bad) return
    const key = `refused-taps-${id}`
    await writeDraft(key, [...((await readDraft<TreatmentEvent[]>(key)) ?? []), bad])
    // Whatever was tapped meanwhile stays.
    unsent.value = unsent.value.filter((event) => event.id !== bad.id)
    singly = false
    refused.value = `One tap was refused and stays on this device. ${why}`
    store.drop([bad.id])
    line.value = unsent.value.length > 0 ? 'sending' : 'sent'
  }

  async function send(id: string, batch: readonly TreatmentEvent[]): Promise<void> {
    const askedAt = Date.now()
    const reply = await api<{ kept: { id: string; at: number }[]; now: number }>(
      `/api/visits/${id}/events`,
      {
        method: 'POST',
        body: { sentAt: houseNow(), events: batch },
        within: ANSWER_MS,
      },
    )
    visit.measureClock(reply.now, askedAt)
    // A clock that was off is put right by the house: what it kept is what counts.
    const at = new Map(reply.kept.map((own) => [own.id, own.at]))
    const done = batch.flatMap((event) => {
      const keptAt = at.get(event.id)
      return keptAt === undefined ? [] : [{ ...event, at: keptAt }]
    })
    if (done.length === 0) throw new Error('nothing of it was kept')
    if (visit.bundle?.visit.id === id) {
      const known = new Set(visit.bundle.events.map((event) => event.id))
      visit.put({
        events: [...visit.bundle.events, ...done.filter((event) => !known.has(event.id))],
      })
    }
    unsent.value = unsent.value.filter((event) => !at.has(event.id))
    store.drop([...at.keys()])
    // With the last tap the house moves the visit on; what the page holds of it is fetched anew.
    // Close fetches it again where that fails.
    if (done.some((event) => event.body.kind === 'finished')) void visit.reload().catch(() => {})
  }
  return {
    others: stream.others,
    unsent,
    now,
    line,
    trouble,
    refused,
    unkept: store.unkept,
    open,
    listen,
    close,
    tap,
    flush,
  }
}
