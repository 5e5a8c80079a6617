import { defineStore } from 'pinia'
import type { PlanStep, ProtocolStep } from '#core/catalogue/techniques/step'
import type { TechniqueId } from '#core/catalogue/techniques/techniques'
import type { LeftOut } from '#core/planning/answer/leftOut'
import type { NotTaken } from '#core/planning/answer/protocolGaps'
import { checkPlan } from '#core/planning/checks/check'
import { applyEdits, type Edit } from '#core/planning/steps/edit'
import { useHistory } from '~/composables/plan/history'
import { useSaving, type ProtocolUsed } from '~/composables/plan/saving'
import { leftOutAside, notTakenAside, proposeAside } from '~/composables/planner'
import { useVisit } from './visit'

/**
 * The plan under the therapist's hands: edits with undo and redo, findings at once, saved when it
 * may be.
 */
export const usePlan = defineStore('plan', () => {
  const visit = useVisit()
  /** As a page takes them over that was drawn by the house; replaced, never changed inside. */
  const held = shallowRef<PlanStep[]>([])
  const steps = computed<PlanStep[]>({
    get: () => toRaw(held.value),
    set: (next) => {
      held.value = next
    },
  })
  const thinking = ref(false)
  const failed = ref('')
  const left = shallowRef<LeftOut[]>([])
  /** The house's protocol this plan was made from, and what of it could not be had. */
  const protocol = ref<ProtocolUsed | null>(null)
  const missed = shallowRef<NotTaken[]>([])
  const saving = useSaving(steps, protocol, (theirs) => history.set(theirs))
  const history = useHistory(steps, (next) => {
    steps.value = [...next]
    saving.later()
    void priceLeftOut()
  })
  let asked = 0
  let proposals = 0

  const check = computed(() => (visit.input ? checkPlan(visit.input, steps.value) : null))
  const edit = (edits: readonly Edit[]) => history.set(applyEdits(steps.value, edits))

  async function open() {
    history.clear()
    failed.value = ''
    missed.value = []
    const draft = await saving.open()
    steps.value = draft ?? [...visit.draft]
    protocol.value = visit.bundle?.plans.find((plan) => plan.version === 0)?.protocol ?? null
    if (draft) await saving.save()
    if (steps.value.length === 0 && saving.mayWrite()) await propose()
    else void priceLeftOut()
  }

  /** The best plan around what is pinned; by a protocol of the house where one is named. */
  async function propose(
    from: (ProtocolUsed & { steps: ProtocolStep[] }) | null = null,
    wanted: readonly TechniqueId[] = [],
  ) {
    if (!visit.input) return
    const turn = ++proposals
    thinking.value = true
    try {
      const pins = steps.value.filter((step) => step.pinned)
      const input = { ...visit.input, pins, wanted, ...(from ? { protocol: from.steps } : {}) }
      const plan = await proposeAside(input)
      // A later wish has been told meanwhile: its answer counts, whichever comes first.
      if (turn !== proposals) return
      failed.value = plan.failed?.text ?? ''
      if (plan.failed) return
      protocol.value = from && { id: from.id, version: from.version }
      history.set(plan.steps)
      missed.value = from ? await notTakenAside(input, plan.steps) : []
    } finally {
      if (turn === proposals) thinking.value = false
    }
  }
  /** The best plan that has this in it, whatever has to go for it. */
  const exchange = (technique: TechniqueId) => propose(null, [technique])
  async function priceLeftOut() {
    const turn = ++asked
    if (!visit.input || steps.value.length === 0) return
    const priced = await leftOutAside(visit.input, steps.value)
    if (turn === asked) left.value = priced
  }
  return {
    held,
    steps,
    past: history.past,
    future: history.future,
    thinking,
    saved: saving.saved,
    trouble: saving.trouble,
    failed,
    left,
    protocol,
    missed,
    check,
    open,
    edit,
    undo: history.undo,
    redo: history.redo,
    propose,
    exchange,
    save: saving.save,
  }
})
