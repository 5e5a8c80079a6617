import type { ComputedRef, Ref } from 'vue'
import type { PlanStep } from '#core/catalogue/techniques/step'
import { planAfterStop } from '#core/planning/answer/stopPlan'
import { untouchable } from '#core/planning/answer/replan'
import { residualAsDone } from '#core/record/doneLoads'
import type { PlanInput } from '#core/planning/input'
import { diffPlans, type StepChange } from '#core/planning/steps/edit'
import type { Readings } from '#core/skin/readings'
import { withFirst } from '#core/planning/answer/putRight'
import type { NotReady } from '#core/treatment/step/surfaceNow'
import { withCleanse } from '#core/planning/answer/moreCleansing'
import { isUnderWay } from '#core/treatment/fold/begun'
import { runningMs } from '#core/treatment/fold/clocks'
import { barsOfLeft } from '#core/treatment/stop/leftZones'
import { AFTER_STOP } from '#core/treatment/stop/stop'
import type { EventBody } from '#core/treatment/taps/events'
import type { RoomState } from '#core/treatment/fold/fold'
import type { VisitBundle } from '#core/visit/bundle'
import { nearestTick } from '#core/units'
import { plannedMinutes } from '#core/treatment/order/pace'
import { toPlanInput } from '#core/visit/planInput'
import { stepsDone } from '#core/visit/record'
import { proposeAside } from '~/composables/planner'
import { sayProblem } from '~/composables/useApi'
import { useVisit } from '~/stores/visit'

interface Room {
  state: ComputedRef<RoomState | null>
  steps: ComputedRef<PlanStep[]>
  /** Of every version. */
  everyStep: ComputedRef<PlanStep[]>
  /** The visit with every tap, sent or not. */
  bundle: ComputedRef<VisitBundle | null>
  input: ComputedRef<PlanInput | null | undefined>
  /** By the house's clock. */
  now: Ref<number>
  tap: (body: EventBody) => Promise<void>
  trouble: Ref<string>
}

/** New plans of what is left: what is done stands, and the difference is shown before it is taken. */
export function useReplan(room: Room) {
  const { state, steps, everyStep, bundle, input, now, tap, trouble } = room
  const visit = useVisit()
  const offer = ref<{ steps: PlanStep[]; changes: StepChange[]; reason: string } | null>(null)
  const thinking = ref(false)

  const doneSteps = (): PlanStep[] =>
    visit.bundle && state.value ? stepsDone(visit.bundle, state.value) : []

  /** The step at hand, where it has begun: it goes on as it is, whatever is planned after it. */
  const begunNow = (): PlanStep | undefined => {
    const step = steps.value.find(({ key }) => key === state.value?.current?.key)
    const ran = state.value ? runningMs(state.value, now.value) : 0
    return step && state.value && isUnderWay(state.value, step.key, ran) ? step : undefined
  }

  async function replan(reason: string, minutesLeft: number, readings?: Readings): Promise<void> {
    if (!bundle.value || !state.value) return
    thinking.value = true
    trouble.value = ''
    try {
      const done = doneSteps()
      const slotMinutes = nearestTick(plannedMinutes(done) + minutesLeft)
      // A second look takes away; it does not chase what it finds elsewhere.
      const more = { slotMinutes, within: steps.value, ...(readings ? { readings } : {}) }
      const fresh = toPlanInput(bundle.value, more)
      const bars = [...fresh.verdict.bars, ...barsOfLeft(state.value.left)]
      const asked = { ...fresh, verdict: { ...fresh.verdict, bars } }
      const resting = state.value.resting.filter((one) => one.endedAt === undefined)
      const plan = await proposeAside(
        { ...asked, residual: residualAsDone(asked, done, state.value) },
        untouchable(
          steps.value,
          done,
          resting.map((one) => one.key),
          begunNow(),
        ),
      )
      if (plan.failed) {
        trouble.value = plan.failed.text
        return
      }
      const skipped = new Set(
        state.value.done.flatMap((step) => (step.skipped === undefined ? [] : [step.key])),
      )
      const before = steps.value.filter((step) => !skipped.has(step.key))
      offer.value = { steps: [...plan.steps], changes: diffPlans(before, plan.steps), reason }
    } finally {
      thinking.value = false
    }
  }

  /** A pad soiled twice: one cleanse more, before whatever comes next, shown before it is taken. */
  function addCleanse(): void {
    if (!input.value || !state.value) return
    const next = withCleanse(steps.value, state.value.current?.key, input.value)
    const reason = 'a pad soiled twice'
    offer.value = { steps: next, changes: diffPlans(steps.value, next), reason }
  }

  /** What the skin lacks is done before the step at hand: the button has said what it adds. */
  async function putRight(atHand: string, { words, first }: NotReady): Promise<boolean> {
    if (!input.value || first.length === 0) return false
    const next = withFirst(steps.value, everyStep.value, atHand, first, input.value)
    return newVersion(next, words)
  }

  async function newVersion(next: PlanStep[], reason: string): Promise<boolean> {
    const here = visit.bundle
    if (!here || !state.value) return false
    const version = Math.max(...here.plans.map((plan) => plan.version)) + 1
    const plan = {
      version,
      steps: next,
      reason,
      countersignedBy: null,
      unseen: false,
      protocol: null,
    }
    try {
      await visit.send('/versions', 'POST', { version, reason, steps: next })
      // Heard by the line meanwhile, it is there already.
      const others = (visit.bundle ?? here).plans.filter((own) => own.version !== version)
      visit.put({ plans: [...others, plan] })
      await tap({ kind: 'replanned', version, reason })
      offer.value = null
      return true
    } catch (error) {
      trouble.value = sayProblem(error)
      return false
    }
  }
  const take = async (): Promise<boolean> =>
    offer.value ? newVersion(offer.value.steps, offer.value.reason) : false
  const calmPlan = async (): Promise<boolean> =>
    input.value ? newVersion(planAfterStop(input.value, doneSteps()), AFTER_STOP) : false

  async function secondReading(zones: Readings): Promise<void> {
    const here = visit.bundle
    if (!here) return
    visit.put({ readings: { ...here.readings, bare: zones } })
    await tap({ kind: 'reading', zones })
  }
  return {
    offer,
    thinking,
    doneSteps,
    replan,
    addCleanse,
    putRight,
    take,
    newVersion,
    calmPlan,
    secondReading,
  }
}
