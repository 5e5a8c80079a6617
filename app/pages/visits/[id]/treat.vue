<script setup lang="ts">
import { useWakeLock } from '@vueuse/core'
import { useRoomKeys } from '~/composables/roomKeys'
import { useOnDevice } from '~/composables/room/onDevice'
import { useRoomSounds } from '~/composables/room/sounds'
import { useRoomView } from '~/composables/room/roomView'
import { useStepEnd } from '~/composables/room/stepEnd'
import { useRoom } from '~/stores/room'
import { useVisit } from '~/stores/visit'

definePageMeta({ layout: 'room' })
type Panel =
  'none' | 'absorbed' | 'reaction' | 'skip' | 'swap' | 'fit' | 'reading' | 'notes' | 'notYet'
const visit = useVisit()
const room = useRoom()
const wake = useWakeLock()
const panel = ref<Panel>('none')
const fromHead = ref(true)
if (import.meta.client) useOnDevice()
onMounted(async () => {
  await room.enter()
  // The device decides whether it may be kept awake.
  await wake.request('screen').catch(() => {})
})
onBeforeUnmount(() => {
  room.leave()
  void wake.release()
})

const view = useRoomView()
const { resting, due, late, left, short, stopping, finished, sentWords } = view
const { watered, looks, swaps, silent, shown } = view
useRoomSounds({ due, late, stop: stopping })

/** Something may lie on a face, and the path of a stop is not on screen. */
const running = computed(
  () => room.state?.startedAt !== undefined && !finished.value && !stopping.value,
)
const toggle = (which: Panel) => {
  panel.value = panel.value === which ? 'none' : which
}
const shut = () => {
  panel.value = 'none'
}
// What was open when it stopped is over; the stop path stands alone.
watch(stopping, shut)
const ending = useStepEnd(
  () => {
    panel.value = 'reading'
  },
  () => panel.value === 'reading',
  shut,
)
const { step, waits, sweep, word, warn, done, finish, before, back, hold } = ending
async function notYet() {
  if (!step.value) return
  if (panel.value === 'notYet') return shut()
  await room.tap({ kind: 'notYet', key: step.value.key })
  panel.value = 'notYet'
}
useRoomKeys(
  {
    ' ': () => done(),
    h: hold,
    r: () => toggle('reaction'),
    s: () => toggle('skip'),
    w: () => toggle('swap'),
    d: () => toggle('absorbed'),
    f: () => toggle('fit'),
    n: () => toggle('notes'),
    y: notYet,
    b: back,
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
    <RoomSaid :resting="resting" :stopping="stopping" />
    <RoomTold v-if="running" class="told" :step-shown="Boolean(step) && !silent" />
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
    <RoomMessage
      v-else-if="room.state.startedAt === undefined"
      title="One moment"
      text="The treatment begins."
    />
    <StopPath v-else-if="stopping" />
    <RoomMessage v-else-if="!step" title="All steps are done" :text="sentWords">
      <RoomButton tone="go" @click="finish">Finish the treatment</RoomButton>
    </RoomMessage>
    <SilenceScreen
      v-else-if="silent"
      :resting="silent"
      @off="shown = silent.key"
      @leave="shown = silent.key"
    />
    <template v-else>
      <StepNow
        class="now"
        :step="step"
        :warn="warn"
        :first="waits.map(({ say }) => say)"
        @not-yet="notYet"
        @cleanse="room.addCleanse"
        @swap="toggle('swap')"
        @skip="toggle('skip')"
      />
      <RestingColumn class="rest" :class="{ none: !resting.length }" :resting="resting" />
      <RoomFace
        v-model:from-head="fromHead"
        class="worked"
        :class="{ wide: !resting.length }"
        :step="step"
        :resting="resting"
        :sweep="sweep"
        @warn="(text) => (warn = text)"
      />
      <RoomTools
        :left="left"
        :short="short"
        :looks="looks"
        :zone="visit.bundle.practice.timeZone"
        :may-go-back="Boolean(before)"
        :may-ask-drank="Boolean(watered)"
        :may-swap="swaps.length > 0"
        @back="back"
        @open="toggle"
      />
      <RoomBar
        :held="room.state.heldSince !== undefined"
        :done-word="word"
        @hold="hold"
        @react="toggle('reaction')"
        @done="done()"
      />
      <ReactionScreen
        v-if="panel === 'reaction'"
        :step-key="step.key"
        :from-head="fromHead"
        @close="shut"
      />
      <BareReading v-if="panel === 'reading'" :from-head="fromHead" @close="shut" @done="done()" />
      <NotYetSheet
        v-if="panel === 'notYet' && room.cue"
        :cue="room.cue"
        @end="done"
        @close="shut"
      />
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
  grid-template:
    'told told told' auto 'now rest face' minmax(0, 1fr)
    'tools tools tools' auto 'bar bar bar' 118px /
    minmax(0, 5.2fr) minmax(0, 2.7fr) minmax(0, 3.1fr);
  color: var(--candle);
  gap: 0 22px;
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
.told {
  grid-area: told;
}
.now {
  grid-area: now;
}
.rest {
  grid-area: rest;
}
.rest.none {
  grid-column: 2 / 4;
}
.worked {
  grid-area: face;
}
.worked.wide {
  grid-column: 2 / 4;
}
@media (max-width: 1000px) {
  .treat {
    grid-template:
      'told told' auto 'now now' auto 'rest face' minmax(0, 1fr)
      'tools tools' auto 'bar bar' 118px /
      minmax(0, 1fr) minmax(0, 1.4fr);
  }
  .rest.none,
  .worked.wide {
    grid-column: 1 / -1;
  }
}
@media (max-height: 820px) and (min-width: 1001px) {
  .treat {
    grid-template-rows: auto minmax(0, 1fr) auto 96px;
  }
}
@media (max-height: 620px) {
  .treat {
    grid-template-rows: auto auto auto auto 84px;
  }
}
@media (prefers-reduced-motion: reduce) {
  .pulse {
    animation: none;
    box-shadow: inset 0 0 0 6px var(--glow);
  }
}
</style>
