import { defineStore } from 'pinia'
import type { PlanStep, ProtocolStep } from '#core/catalogue/techniques/step'
import { checkPlan } from '#core/planning/checks/check'
import { applyEdits, type Edit } from '#core/planning/steps/edit'
import type { LeftOut } from '#core/planning/answer/leftOut'
import type { NotTaken } from '#core/planning/answer/protocolGaps'
import { dropDraft, readDraft, writeDraft } from '~/composables/keep'
import { leftOutAside, notTakenAside, proposeAside } from '~/composables/planner'
import { sayProblem } from '~/composables/useApi'
import { useVisit } from './visit'

/**
 * The plan under the therapist's hands: edits with undo and redo, findings at once, saved when it
 * may be.
 */
export const usePlan = defineStore('plan', () => {
  const visit = useVisit()
  const steps = ref<PlanStep[]>([])
  const past = ref<PlanStep[][]>([])
  const future = ref<PlanStep[][]>([])
  const thinking = ref(false)
  const saved = ref<'kept' | 'waiting' | 'refused'>('kept')
  const trouble = ref('')
  const failed = ref('')
  const left = ref<LeftOut[]>([])
  /** The house's protocol this plan was made from, and what of it could not be had. */
  const protocol = ref<{ id: string; version: number } | null>(null)
  const missed = ref<NotTaken[]>([])
  let timer: ReturnType<typeof setTimeout> | undefined
  let asked = 0

  const check = computed(() => (visit.input ? checkPlan(visit.input, steps.value) : null))
  const key = () => `plan-${visit.bundle?.visit.id ?? ''}`

  async function open() {
    past.value = []
    future.value = []
    failed.value = ''
    trouble.value = ''
    saved.value = 'kept'
    const draft = await readDraft<PlanStep[]>(key())
    steps.value = draft ?? [...visit.draft]
    protocol.value = visit.bundle?.plans.find((p) => p.version === 0)?.protocol ?? null
    missed.value = []
    if (draft) await save()
    if (
      steps.value.length === 0 &&
      visit.bundle?.may.write &&
      visit.bundle.visit.status === 'booked'
    )
      await propose()
    else void priceLeftOut()
  }
  function set(next: readonly PlanStep[]) {
    past.value = [...past.value.slice(-49), steps.value]
    future.value = []
    put(next)
  }
  function put(next: readonly PlanStep[]) {
    steps.value = [...next]
    saved.value = 'waiting'
    void writeDraft(key(), steps.value)
    clearTimeout(timer)
    timer = setTimeout(() => void save(), 700)
    void priceLeftOut()
  }
  const edit = (edits: readonly Edit[]) => set(applyEdits(steps.value, edits))
  function undo() {
    const last = past.value[past.value.length - 1]
    if (!last) return
    future.value = [steps.value, ...future.value]
    past.value = past.value.slice(0, -1)
    put(last)
  }
  function redo() {
    const next = future.value[0]
    if (!next) return
    past.value = [...past.value, steps.value]
    future.value = future.value.slice(1)
    put(next)
  }

  /** The best plan around what is pinned; by a protocol of the house where one is named. */
  async function propose(
    from: { id: string; version: number; steps: ProtocolStep[] } | null = null,
  ) {
    if (!visit.input) return
    thinking.value = true
    try {
      const input = {
        ...visit.input,
        pins: steps.value.filter((s) => s.pinned),
        ...(from ? { protocol: from.steps } : {}),
      }
      const p = await proposeAside(input)
      failed.value = p.failed?.text ?? ''
      if (p.failed) return
      protocol.value = from && { id: from.id, version: from.version }
      missed.value = from ? await notTakenAside(input, p.steps) : []
      set(p.steps)
    } finally {
      thinking.value = false
    }
  }
  async function priceLeftOut() {
    const input = visit.input
    const turn = ++asked
    if (!input || steps.value.length === 0) return
    const priced = await leftOutAside(input, steps.value)
    if (turn === asked) left.value = priced
  }
  /** Saves; what breaks a locked rule is refused by the house too and stays here until mended. */
  async function save() {
    clearTimeout(timer)
    if (!visit.bundle?.may.write || visit.bundle.visit.status !== 'booked') return
    const sent = steps.value
    try {
      await visit.send('/plan', 'PUT', { steps: sent, protocol: protocol.value })
      trouble.value = ''
      if (sent === steps.value) {
        saved.value = 'kept'
        await dropDraft(key())
      }
      if (visit.bundle)
        visit.bundle.plans = [
          { version: 0, steps: sent, reason: '', countersignedBy: null, protocol: protocol.value },
          ...visit.bundle.plans.filter((p) => p.version !== 0),
        ]
    } catch (e) {
      saved.value = 'refused'
      trouble.value = sayProblem(e)
    }
  }
  return {
    steps,
    past,
    future,
    thinking,
    saved,
    trouble,
    failed,
    left,
    protocol,
    missed,
    check,
    open,
    edit,
    undo,
    redo,
    propose,
    save,
  }
})
