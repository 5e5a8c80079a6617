import { defineStore } from 'pinia'
import { isOutOfReach, useApi } from '~/composables/useApi'
import { useHeld } from '~/composables/heldVisit'
import { useVisitChanges } from '~/composables/visitChanges'
import { useSession } from '~/stores/session'
import { toPlanInput } from '#core/visit/planInput'
import type { VisitBundle } from '#core/visit/bundle'
import { openPoints } from '#core/visit/ready'
import type { OpenPoint } from '#core/visit/openPoints'
import type { PlanStep } from '#core/catalogue/techniques/step'

/** One visit at its six stops: the bundle as the house has it, and what is still open. */
export const useVisit = defineStore('visit', () => {
  const { held, bundle, put } = useHeld()
  const api = useApi()
  const session = useSession()
  // A locked device holds nothing of a client; and one that treats does not lock itself. Said from
  // here, so that a page without a visit carries nothing of visits.
  watch(
    () => session.me?.locked,
    (locked) => {
      if (locked) bundle.value = null
    },
    { flush: 'sync' },
  )
  watch(
    () => bundle.value?.visit.status === 'treating',
    (treating) => {
      session.treating = treating
    },
    { flush: 'sync' },
  )

  /** The house's clock less this device's, milliseconds: measured whenever a reply says its time. */
  const clockOffset = ref(0)
  /** @param askedAt when the question went out, by this device's clock */
  function measureClock(houseNow: number, askedAt: number) {
    clockOffset.value = Math.round(houseNow - (askedAt + Date.now()) / 2)
  }

  async function load(id: string) {
    const askedAt = Date.now()
    try {
      const fresh = await api<VisitBundle>(`/api/visits/${id}`)
      bundle.value = fresh
      measureClock(fresh.now, askedAt)
    } catch (error) {
      const running = isOutOfReach(error) ? await kept(id) : undefined
      if (!running) throw error
      bundle.value = running.bundle
      clockOffset.value = running.clockOffset
    }
  }
  /** The same as this tablet holds it, while it is treated here and the house is away. */
  async function kept(id: string) {
    const { readRunning } = await import('~/composables/keep')
    return readRunning<{ bundle: VisitBundle; clockOffset: number }>(id).catch(() => undefined)
  }
  async function reload() {
    if (bundle.value) await load(bundle.value.visit.id)
  }
  const url = (path: string) => `/api/visits/${bundle.value?.visit.id ?? ''}${path}`
  const send = (path: string, method: 'POST' | 'PUT' | 'PATCH', body: unknown = {}) =>
    api<unknown>(url(path), { method, body })

  const input = computed(() => bundle.value && toPlanInput(bundle.value))
  const draft = computed<PlanStep[]>(
    () => bundle.value?.plans.find((plan) => plan.version === 0)?.steps ?? [],
  )
  const open = computed<OpenPoint[]>(() =>
    bundle.value && input.value ? openPoints(bundle.value, input.value) : [],
  )
  const changes = useVisitChanges(bundle, put, reload)
  return {
    held,
    bundle,
    put,
    input,
    draft,
    open,
    clockOffset,
    measureClock,
    load,
    reload,
    send,
    change: changes.change,
  }
})
