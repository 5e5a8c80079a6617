import { defineStore } from 'pinia'
import type { PlanStep } from '#core/catalogue/techniques/step'
import { fold, type RoomState } from '#core/treatment/fold/fold'
import { stepsAsWorked } from '#core/treatment/stop/leftZones'
import { toPlanInput } from '#core/visit/planInput'
import { foldContext } from '#core/visit/roomContext'
import { useAtHand } from '~/composables/room/atHand'
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
  /** What is done on the zones it was done on, the rest without the zones that are left. */
  const asWorked = (own: readonly PlanStep[]) =>
    state.value ? stepsAsWorked(own, state.value, context.value?.familiesOf) : [...own]
  const steps = computed<PlanStep[]>(() =>
    asWorked(
      visit.bundle?.plans.find((plan) => plan.version === state.value?.version)?.steps ?? [],
    ),
  )
  /** Steps of every version: what was done may stand in an earlier one only. */
  const everyStep = computed<PlanStep[]>(() =>
    asWorked([...(visit.bundle?.plans ?? [])].reverse().flatMap((plan) => plan.steps)),
  )
  const hand = useAtHand({ state, steps, everyStep, input })
  const plans = useReplan({
    state,
    steps,
    everyStep,
    bundle,
    input,
    now: taps.now,
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
    ...hand,
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
