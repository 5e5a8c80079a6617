import { accepts } from '#core/visit/accepts'
import type { Ref } from 'vue'
import type { PlanStep } from '#core/catalogue/techniques/step'
import { planHash } from '#core/record/planHash'
import { dropDraft, readDraft, writeDraft } from '~/composables/keep'
import { isOvertaken, isProblem, sayProblem } from '~/composables/useApi'
import { useVisit } from '~/stores/visit'

const SETTLE_MS = 700

/** The house's protocol a plan was made from. */
export interface ProtocolUsed {
  id: string
  version: number
}

const isDeviceTaken = (error: unknown): boolean =>
  isProblem(error) && error.problem.fields.some(({ given }) => given === 'device-taken')

/**
 * Keeps a plan: on this device at once, in the house when the hand rests. What breaks a locked rule
 * is refused by the house too and stays here until mended.
 * @param overtaken called with a colleague's plan that was saved meanwhile: theirs counts
 */
export function useSaving(
  steps: Ref<PlanStep[]>,
  protocol: Ref<ProtocolUsed | null>,
  overtaken: (theirs: PlanStep[]) => void,
) {
  const visit = useVisit()
  const saved = ref<'kept' | 'waiting' | 'refused'>('kept')
  const trouble = ref('')
  let timer: ReturnType<typeof setTimeout> | undefined
  let running: Promise<void> = Promise.resolve()
  const key = () => `plan-${visit.bundle?.visit.id ?? ''}`
  const mayWrite = () =>
    visit.bundle?.may.write === true && accepts(visit.bundle.visit.status, 'plan')

  /** @returns what this device still held back, if anything */
  async function open(): Promise<PlanStep[] | undefined> {
    saved.value = 'kept'
    trouble.value = ''
    return (await readDraft<PlanStep[]>(key())) ?? undefined
  }
  function later(): void {
    saved.value = 'waiting'
    void writeDraft(key(), steps.value).catch(() => {})
    clearTimeout(timer)
    timer = setTimeout(() => void save(), SETTLE_MS)
  }
  /** One after the other: what is sent has seen what was sent before it, however slow the line. */
  function save(): Promise<void> {
    clearTimeout(timer)
    running = running.then(saveNow)
    return running
  }
  async function saveNow(): Promise<void> {
    if (!mayWrite()) return
    const sent = steps.value
    const seen = visit.draft.length > 0 ? planHash(visit.draft) : null
    try {
      await visit.send('/plan', 'PUT', { steps: sent, seen, protocol: protocol.value })
      trouble.value = ''
      if (sent === steps.value) {
        saved.value = 'kept'
        await dropDraft(key())
      }
      showDraft(sent)
    } catch (error) {
      saved.value = 'refused'
      trouble.value = sayProblem(error)
      if (isOvertaken(error)) await takeTheirs()
      // Another room has it since: who has it and until when is read, so that the step says it.
      if (isDeviceTaken(error)) await visit.reload()
    }
  }
  /** A colleague was quicker: their plan is shown, one's own is a step back. */
  async function takeTheirs(): Promise<void> {
    await visit.reload()
    overtaken([...visit.draft])
    clearTimeout(timer)
    await dropDraft(key())
    saved.value = 'kept'
    trouble.value =
      'A colleague has changed this plan: their version is shown. Undo brings yours back.'
  }
  function showDraft(sent: PlanStep[]): void {
    if (!visit.bundle) return
    const draft = { version: 0, steps: sent, reason: '', countersignedBy: null, unseen: false }
    const others = visit.bundle.plans.filter((plan) => plan.version !== 0)
    visit.put({ plans: [{ ...draft, protocol: protocol.value }, ...others] })
  }
  return { saved, trouble, mayWrite, open, later, save }
}
