import { defineStore } from 'pinia'
import type { PlanStep } from '#core/catalogue/techniques/step'
import { productUsed } from '#core/treatment/atHand'
import { cueOf } from '#core/treatment/cue'
import { fold, type RoomState } from '#core/treatment/fold'
import { notReady } from '#core/treatment/surfaceNow'
import { endedKeys, momentsOf, openOf, placeOfMoment } from '#core/treatment/moments'
import { foldContext, toPlanInput } from '#core/visit/planInput'
import { useTapLine } from '~/composables/room/tapLine'
import { useReplan } from '~/composables/room/replan'
import { useVisit } from './visit'

/** The room: taps kept on the device first, sent after, folded into what the screen shows. */
export const useRoom = defineStore('room', () => {
  const visit = useVisit()
  const taps = useTapLine((): number => Math.max(1, state.value?.version ?? 1))
  const events = computed(() => [...(visit.bundle?.events ?? []), ...taps.unsent.value])
  /** The visit with what was only tapped yet: the house may be away. */
  const bundle = computed(() => visit.bundle && { ...visit.bundle, events: events.value })
  const input = computed(() => bundle.value && toPlanInput(bundle.value))
  const context = computed(
    () => visit.bundle && input.value && foldContext(visit.bundle, input.value),
  )
  const state = computed<RoomState | null>(() => context.value && fold(events.value, context.value))
  const steps = computed<PlanStep[]>(
    () => visit.bundle?.plans.find((plan) => plan.version === state.value?.version)?.steps ?? [],
  )
  /** Steps of every version: what was done may stand in an earlier one only. */
  const everyStep = computed<PlanStep[]>(() =>
    [...(visit.bundle?.plans ?? [])].reverse().flatMap((plan) => plan.steps),
  )
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
  const plans = useReplan({
    state,
    steps,
    everyStep,
    bundle,
    input,
    tap: taps.tap,
    trouble: taps.trouble,
  })

  async function enter() {
    await taps.open()
    const started = events.value.some((event) => event.body.kind === 'started')
    if (visit.bundle?.visit.status === 'treating' && !started) await taps.tap({ kind: 'started' })
    taps.listen()
  }
  return {
    state,
    steps,
    everyStep,
    moments,
    place,
    moment,
    open,
    current,
    cue,
    unready,
    bottleOf,
    next,
    context,
    input,
    enter,
    leave: taps.close,
    now: taps.now,
    line: taps.line,
    others: taps.others,
    unsent: taps.unsent,
    trouble: taps.trouble,
    refused: taps.refused,
    unkept: taps.unkept,
    tap: taps.tap,
    flush: taps.flush,
    ...plans,
  }
})
