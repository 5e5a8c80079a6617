import { defineStore } from 'pinia'
import { foldContext, toPlanInput } from '#core/visit/planInput'
import { stepsDone } from '#core/visit/record'
import type { PlanStep } from '#core/catalogue/techniques/step'
import { diffPlans, type StepChange } from '#core/planning/steps/edit'
import { planAfterStop } from '#core/planning/answer/stopPlan'
import type { Readings } from '#core/skin/readings'
import { fold, type RoomState } from '#core/treatment/fold'
import type { EventBody, TreatmentEvent } from '#core/treatment/events'
import { dropTaps, keepTap, unsentTaps } from '~/composables/keep'
import { proposeAside } from '~/composables/planner'
import { isProblem, sayProblem, useApi } from '~/composables/useApi'
import { useVisit } from './visit'

/** The room: taps kept on the device first, sent after, folded into what the screen shows. */
export const useRoom = defineStore('room', () => {
  const visit = useVisit()
  const api = useApi()
  const unsent = ref<TreatmentEvent[]>([])
  const now = ref(Date.now())
  const line = ref<'sent' | 'sending' | 'waiting'>('sent')
  const trouble = ref('')
  const offer = ref<{ steps: PlanStep[]; changes: StepChange[]; reason: string } | null>(null)
  const thinking = ref(false)
  let offset = 0
  let deviceId = ''
  let seq = 0
  let ticking: ReturnType<typeof setInterval> | undefined
  let retry: ReturnType<typeof setTimeout> | undefined
  let stream: EventSource | undefined
  let again: ReturnType<typeof setTimeout> | undefined
  let flushing = false

  const input = computed(() => visit.bundle && toPlanInput(visit.bundle))
  const context = computed(
    () => visit.bundle && input.value && foldContext(visit.bundle, input.value),
  )
  const events = computed(() => [...(visit.bundle?.events ?? []), ...unsent.value])
  const state = computed<RoomState | null>(() => context.value && fold(events.value, context.value))
  const steps = computed<PlanStep[]>(
    () => visit.bundle?.plans.find((p) => p.version === state.value?.version)?.steps ?? [],
  )
  const current = computed(() => steps.value.find((s) => s.key === state.value?.current?.key))
  const next = computed(() => {
    const i = steps.value.findIndex((s) => s.key === current.value?.key)
    return i < 0 ? undefined : steps.value[i + 1]
  })

  async function enter() {
    deviceId = crypto.randomUUID()
    seq = 0
    offset = (visit.bundle?.now ?? Date.now()) - Date.now()
    now.value = Date.now() + offset
    unsent.value = await unsentTaps(visit.bundle?.visit.id ?? '')
    ticking = setInterval(() => {
      now.value = Date.now() + offset
    }, 250)
    if (
      visit.bundle?.visit.status === 'treating' &&
      !events.value.some((e) => e.body.kind === 'started')
    )
      await tap({ kind: 'started' })
    void flush()
    listen()
  }
  function leave() {
    clearInterval(ticking)
    clearTimeout(retry)
    clearTimeout(again)
    stream?.close()
    stream = undefined
  }

  /** First on the device, then on the screen, then to the house. */
  async function tap(body: EventBody): Promise<void> {
    const id = visit.bundle?.visit.id
    if (!id) return
    const event: TreatmentEvent = {
      id: crypto.randomUUID(),
      at: Date.now() + offset,
      deviceId,
      seq: seq++,
      planVersion: Math.max(1, state.value?.version ?? 1),
      body,
    }
    await keepTap(id, event)
    unsent.value = [...unsent.value, event]
    void flush()
  }

  async function flush(): Promise<void> {
    const id = visit.bundle?.visit.id
    if (!id || flushing || unsent.value.length === 0) return
    flushing = true
    line.value = 'sending'
    clearTimeout(retry)
    const batch = unsent.value.slice(0, 100)
    try {
      const { kept } = await api<{ kept: string[] }>(`/api/visits/${id}/events`, {
        method: 'POST',
        body: { events: batch },
      })
      const done = batch.filter((e) => kept.includes(e.id))
      if (done.length === 0) throw new Error('nothing of it was kept')
      if (visit.bundle?.visit.id === id)
        visit.bundle.events = [
          ...visit.bundle.events,
          ...done.filter((e) => !visit.bundle?.events.some((x) => x.id === e.id)),
        ]
      unsent.value = unsent.value.filter((e) => !kept.includes(e.id))
      await dropTaps(kept)
      trouble.value = ''
      line.value = unsent.value.length > 0 ? 'sending' : 'sent'
      flushing = false
      // With the last tap the house moves the visit on; what the page holds of it is fetched anew.
      if (done.some((e) => e.body.kind === 'finished'))
        void visit.reload().catch(() => {
          /* Close fetches it again */
        })
      if (unsent.value.length > 0) void flush()
    } catch (e) {
      flushing = false
      line.value = 'waiting'
      if (isProblem(e) && e.status >= 400 && e.status < 500 && e.status !== 429)
        trouble.value = sayProblem(e)
      retry = setTimeout(() => void flush(), 2000)
    }
  }

  /** Another tablet's taps arrive here; after a break everything is fetched once. */
  function listen() {
    const id = visit.bundle?.visit.id
    if (!id || typeof EventSource === 'undefined') return
    stream = new EventSource(`/api/visits/${id}/stream`)
    const fetchTaps = async () => {
      try {
        const { events: all } = await api<{ events: TreatmentEvent[] }>(`/api/visits/${id}/events`)
        if (visit.bundle?.visit.id !== id) return
        const known = visit.bundle.plans.map((p) => p.version)
        if (all.some((e) => e.body.kind === 'replanned' && !known.includes(e.body.version))) {
          await visit.reload()
          return
        }
        // Taps are only ever added: what was acknowledged while this was under way stays.
        visit.bundle.events = [
          ...all,
          ...visit.bundle.events.filter((e) => !all.some((x) => x.id === e.id)),
        ]
      } catch {
        /* the next word of the stream tries again */
      }
    }
    stream.addEventListener('taps', () => void fetchTaps())
    stream.addEventListener('open', () => {
      void fetchTaps()
      void flush()
    })
    // A browser gives a stream up for good when something between answers in the server's place.
    stream.addEventListener('error', () => {
      if (stream?.readyState === EventSource.CLOSED) {
        clearTimeout(again)
        again = setTimeout(listen, 3000)
      }
    })
  }

  const doneSteps = (): PlanStep[] =>
    visit.bundle && state.value ? stepsDone(visit.bundle, state.value) : []

  /** Plans what is left anew; what is done stands. Shows the difference before it is taken. */
  async function replan(reason: string, minutesLeft: number, readings?: Readings): Promise<void> {
    if (!visit.bundle || !state.value) return
    thinking.value = true
    trouble.value = ''
    try {
      const done = doneSteps()
      const spent = done.reduce((m, s) => m + s.minutes, 0)
      const p = await proposeAside(
        toPlanInput(visit.bundle, {
          slotMinutes: Math.round((spent + minutesLeft) * 2) / 2,
          ...(readings ? { readings } : {}),
        }),
        done,
      )
      if (p.failed) {
        trouble.value = p.failed.text
        return
      }
      const skipped = state.value.done.filter((d) => d.skipped !== undefined).map((d) => d.key)
      const before = steps.value.filter((s) => !skipped.includes(s.key))
      offer.value = { steps: [...p.steps], changes: diffPlans(before, p.steps), reason }
    } finally {
      thinking.value = false
    }
  }
  async function take(): Promise<boolean> {
    return offer.value ? newVersion(offer.value.steps, offer.value.reason) : false
  }
  async function newVersion(next: PlanStep[], reason: string): Promise<boolean> {
    const b = visit.bundle
    if (!b || !state.value) return false
    const version = Math.max(...b.plans.map((p) => p.version)) + 1
    try {
      await visit.send('/versions', 'POST', { version, reason, steps: next })
      b.plans = [
        ...b.plans,
        { version, steps: next, reason, countersignedBy: null, protocol: null },
      ]
      await tap({ kind: 'replanned', version, reason })
      offer.value = null
      return true
    } catch (e) {
      trouble.value = sayProblem(e)
      return false
    }
  }
  const calmPlan = () =>
    input.value
      ? newVersion(planAfterStop(input.value, doneSteps()), 'after a stop')
      : Promise.resolve(false)
  async function secondReading(zones: Readings): Promise<void> {
    const b = visit.bundle
    if (!b) return
    try {
      await visit.send('/readings', 'POST', { id: crypto.randomUUID(), phase: 'bare', zones })
    } catch (e) {
      trouble.value = sayProblem(e)
      return
    }
    b.readings = { ...b.readings, bare: zones }
    await tap({ kind: 'reading', zones })
  }
  return {
    state,
    steps,
    current,
    next,
    now,
    line,
    unsent,
    trouble,
    offer,
    thinking,
    context,
    input,
    enter,
    leave,
    tap,
    flush,
    replan,
    take,
    newVersion,
    calmPlan,
    secondReading,
    doneSteps,
  }
})
