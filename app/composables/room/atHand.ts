import type { ComputedRef } from 'vue'
import type { PlanStep } from '#core/catalogue/techniques/step'
import type { PlanInput } from '#core/planning/input'
import { productUsed } from '#core/treatment/order/atHand'
import { cueOf } from '#core/treatment/step/cue'
import type { RoomState } from '#core/treatment/fold/fold'
import { endedKeys, momentsOf, openOf, placeOfMoment } from '#core/treatment/order/moments'
import { notReady } from '#core/treatment/step/surfaceNow'
import { useVisit } from '~/stores/visit'

interface Room {
  state: ComputedRef<RoomState | null>
  steps: ComputedRef<PlanStep[]>
  /** Of every version. */
  everyStep: ComputedRef<PlanStep[]>
  input: ComputedRef<PlanInput | null | undefined>
}

/** What is at hand now: the step with its ticks, its bottle, its cue, and what it lacks. */
export function useAtHand({ state, steps, everyStep, input }: Room) {
  const visit = useVisit()
  const ended = computed(() => endedKeys(state.value ?? { done: [] }))
  const moments = computed(() => momentsOf(steps.value, ended.value))
  const place = computed(() => placeOfMoment(moments.value, state.value?.current?.key))
  const moment = computed(() => moments.value[place.value])
  /** The main step on screen; its ticks are in its moment. */
  const current = computed(() => moment.value?.main)
  const next = computed(() => (place.value < 0 ? undefined : moments.value[place.value + 1]?.main))
  /** What of the moment is still open, its ticks first. */
  const open = computed(() => (moment.value ? openOf(moment.value, ended.value) : []))
  /** The bottle of a step: what was swapped in, else what was planned. */
  const bottleOf = (step: PlanStep) => {
    const used = state.value && productUsed(state.value, step)
    return visit.bundle?.shelf.find((item) => item.product.id === used)?.product
  }
  /** How the step at hand is known to be done. */
  const cue = computed(() => current.value && cueOf(current.value, bottleOf(current.value)))
  /** What the skin at hand lacks for this step, by what was done and how long ago. */
  const unready = computed(() =>
    state.value && input.value
      ? notReady(state.value, everyStep.value, open.value, input.value)
      : undefined,
  )
  return { moments, place, moment, current, next, open, bottleOf, cue, unready }
}
