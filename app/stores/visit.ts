import { defineStore } from 'pinia'
import { useApi } from '~/composables/useApi'
import { toPlanInput } from '#core/visit/planInput'
import type { VisitBundle } from '#core/visit/bundle'
import { openPoints } from '#core/visit/ready'
import type { OpenPoint } from '#core/visit/openPoints'
import type { PlanStep } from '#core/catalogue/techniques/step'

/** One visit at its six stops: the bundle as the house has it, and what is still open. */
export const useVisit = defineStore('visit', () => {
  const bundle = ref<VisitBundle | null>(null)
  const api = useApi()

  /** The house's clock less this device's, milliseconds: measured whenever a reply says its time. */
  const clockOffset = ref(0)
  /** @param askedAt when the question went out, by this device's clock */
  function measureClock(houseNow: number, askedAt: number) {
    clockOffset.value = Math.round(houseNow - (askedAt + Date.now()) / 2)
  }

  async function load(id: string) {
    const askedAt = Date.now()
    bundle.value = await api<VisitBundle>(`/api/visits/${id}`)
    measureClock(bundle.value.now, askedAt)
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
  async function change(patch: Record<string, unknown>) {
    const ownBundle = bundle.value
    if (!ownBundle) return
    await send('', 'PATCH', { version: ownBundle.visit.version, ...patch })
    await reload()
  }
  return {
    bundle,
    input,
    draft,
    open,
    clockOffset,
    measureClock,
    load,
    reload,
    send,
    change,
  }
})
