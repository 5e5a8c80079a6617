<script setup lang="ts">
import { useWakeLock } from '@vueuse/core'
import { TECHNIQUES } from '#core/catalogue/techniques/techniques'
import { standIns } from '#core/planning/today/bottles'
import { absorbedOf } from '#core/treatment/absorption'
import { isStopping, productUsed, restingNow, wantsReading } from '#core/treatment/atHand'
import { confirmationsFor } from '#core/screening/confirm'
import { unconfirmed } from '#core/treatment/confirm'
import { minutesLeft, minutesShort } from '#core/treatment/pace'
import { useRoomKeys } from '~/composables/roomKeys'
import { useRoom } from '~/stores/room'
import { useVisit } from '~/stores/visit'

definePageMeta({ layout: 'room' })
type Panel = 'none' | 'absorbed' | 'reaction' | 'skip' | 'swap' | 'fit' | 'reading' | 'notes'
const visit = useVisit()
const room = useRoom()
const wake = useWakeLock()
const panel = ref<Panel>('none')
const fromHead = ref(true)
const warn = ref('')
onMounted(async () => {
  await room.enter()
  // The device decides whether it may be kept awake.
  await wake.request('screen').catch(() => {})
})
onBeforeUnmount(() => {
  room.leave()
  void wake.release()
})

const slot = computed(() => visit.bundle?.visit)
const step = computed(() => room.current)
const last = computed(() => step.value?.key === room.steps[room.steps.length - 1]?.key)
const resting = computed(() => (room.state ? restingNow(room.state, room.steps, room.now) : []))
const due = computed(() => resting.value.some(({ word }) => word === 'due' || word === 'late'))
const left = computed(() =>
  room.state && slot.value ? minutesLeft(room.state, slot.value, room.now) : 0,
)
const short = computed(() =>
  room.state && slot.value ? minutesShort(room.state, room.steps, slot.value, room.now) : 0,
)
const stopping = computed(() => room.state !== null && isStopping(room.state))
const finished = computed(() => room.state?.finishedAt !== undefined)
const sentWords = computed(() =>
  room.line === 'sent'
    ? 'Every tap has reached the house.'
    : 'Some taps are still on this device; they are being sent.',
)
const reads = computed(() =>
  room.state && step.value ? wantsReading(room.state, step.value) : false,
)
/** What this step waits for before it may go on. */
const waits = computed(() => {
  if (!step.value || !room.state || !room.context || !room.input) return []
  const rules = unconfirmed(room.state, room.context, step.value)
  return confirmationsFor(TECHNIQUES[step.value.technique], room.input.verdict).filter(({ rule }) =>
    rules.includes(rule),
  )
})
const doneWord = computed(() => {
  if (waits.value.length > 0) return 'Seen to: begin'
  if (reads.value) return 'Read the bare skin'
  return last.value ? 'Done, finish' : 'Done, next step'
})
/** What the zones may be asked about now: it is off again, or worked in. */
const watered = computed(() => room.state && absorbedOf(room.state, room.steps))
const swaps = computed(() => {
  if (!step.value || !room.state || !room.input) return []
  const kind = TECHNIQUES[step.value.technique].product
  const products = standIns(kind, productUsed(room.state, step.value), room.input)
  return products.map(({ id, name }) => ({ value: id, word: name }))
})

const toggle = (which: Panel) => {
  panel.value = panel.value === which ? 'none' : which
}
const shut = () => {
  panel.value = 'none'
}
// What was open when it stopped is over; the stop path stands alone.
watch(stopping, shut)
async function done() {
  warn.value = ''
  if (!step.value) return
  if (waits.value.length > 0) {
    const rules = waits.value.map(({ rule }) => rule)
    await room.tap({ kind: 'confirmed', key: step.value.key, rules: [...new Set(rules)] })
    return
  }
  if (reads.value && panel.value !== 'reading') {
    panel.value = 'reading'
    return
  }
  const ending = last.value
  await room.tap({ kind: 'stepDone', key: step.value.key, cue: true })
  shut()
  if (ending) await finish()
}
async function finish() {
  await room.tap({ kind: 'finished' })
  await room.flush()
}
const hold = () =>
  room.tap(room.state?.heldSince === undefined ? { kind: 'held' } : { kind: 'resumed' })
useRoomKeys(
  {
    ' ': done,
    h: hold,
    r: () => toggle('reaction'),
    s: () => toggle('skip'),
    w: () => toggle('swap'),
    d: () => toggle('absorbed'),
    f: () => toggle('fit'),
    n: () => toggle('notes'),
    t: () => {
      fromHead.value = !fromHead.value
    },
  },
  () => {
    shut()
    room.offer = null
  },
  () => !stopping.value,
)
</script>

<template>
  <div v-if="visit.bundle && room.state" class="treat" :class="{ pulse: due }">
    <RoomMessage
      v-if="visit.bundle.visit.status === 'booked'"
      title="Not begun"
      text="Lay out the tray first, then start the treatment."
    >
      <RoomButton tone="go" :to="`/visits/${visit.bundle.visit.id}/set`">To the tray</RoomButton>
    </RoomMessage>
    <RoomMessage v-else-if="finished" title="Finished" :text="sentWords">
      <RoomButton tone="go" :to="`/visits/${visit.bundle.visit.id}/close`">Write it up</RoomButton>
    </RoomMessage>
    <RoomMessage v-else-if="!step" title="All steps are done" :text="sentWords">
      <RoomButton tone="go" @click="finish">Finish the treatment</RoomButton>
    </RoomMessage>
    <StopPath v-else-if="stopping" />
    <template v-else>
      <div class="now">
        <StepNow :step="step" :warn="warn" :first="waits.map(({ say }) => say)" />
        <StepThen :left="left" :short="short" @fit="toggle('fit')" />
        <div class="row chips">
          <RoomButton hotkey="S" @click="toggle('skip')">Skip</RoomButton>
          <RoomButton v-if="watered" hotkey="D" @click="toggle('absorbed')">Drank it?</RoomButton>
          <RoomButton v-if="swaps.length" hotkey="W" @click="toggle('swap')">
            Swap product
          </RoomButton>
          <RoomButton hotkey="F" @click="toggle('fit')">Fit to the time</RoomButton>
          <RoomButton hotkey="N" @click="toggle('notes')">Note</RoomButton>
        </div>
      </div>
      <RestingColumn :resting="resting" :zone="visit.bundle.practice.timeZone" />
      <RoomFace
        v-model:from-head="fromHead"
        :step="step"
        :resting="resting"
        @warn="(text) => (warn = text)"
      />
      <RoomBar
        :held="room.state.heldSince !== undefined"
        :done-word="doneWord"
        @hold="hold"
        @react="toggle('reaction')"
        @done="done"
      />
      <ReactionScreen
        v-if="panel === 'reaction'"
        :step-key="step.key"
        :from-head="fromHead"
        @close="shut"
      />
      <BareReading v-if="panel === 'reading'" :from-head="fromHead" @close="shut" @done="done" />
      <AbsorbedScreen
        v-if="panel === 'absorbed' && watered"
        :step="watered"
        :from-head="fromHead"
        @close="shut"
      />
      <RoomSheets :sheet="panel" :step="step" :swaps="swaps" :left="left" @close="shut" />
      <NewPlanSheet v-if="room.offer || room.thinking" />
    </template>
  </div>
</template>

<style scoped>
.treat {
  min-height: 100dvh;
  display: grid;
  grid-template-columns: minmax(0, 5fr) minmax(0, 3fr) minmax(0, 2.6fr);
  grid-template-rows: 1fr 118px;
  color: var(--candle);
  gap: 0 26px;
}
.pulse {
  animation: edge 1.6s ease-in-out infinite;
}
@keyframes edge {
  0%,
  100% {
    box-shadow: inset 0 0 0 0 var(--glow);
  }
  50% {
    box-shadow: inset 0 0 0 6px var(--glow);
  }
}
.now {
  padding: 26px 0 10px 38px;
  display: flex;
  flex-direction: column;
  gap: 7px;
  font-size: 1.125rem;
  min-width: 0;
}
.chips {
  gap: 10px;
}
@media (max-width: 1000px) {
  .treat {
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
    grid-template-rows: auto 1fr 118px;
  }
  .now {
    grid-column: 1 / -1;
    padding-right: 24px;
  }
}
</style>
