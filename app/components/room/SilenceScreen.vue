<script setup lang="ts">
import { fromMilliseconds, toMilliseconds } from '#core/units'
import type { RestingOnFace } from '#core/treatment/order/atHand'
import { elapsed } from '~/composables/dates'
import { useRoom } from '~/stores/room'

/** A mask that sets hard: nobody speaks, the screen keeps still, hands say what there is to say. */
const props = defineProps<{ resting: RestingOnFace }>()
const emit = defineEmits<{ off: []; leave: [] }>()
const room = useRoom()
const said = ref('')
/** Whole minutes: nothing on the screen moves more often. */
const left = computed(() =>
  Math.max(0, Math.ceil(props.resting.latest - fromMilliseconds(props.resting.ms))),
)
/** To the half minute. */
const whole = (minutes: number) => Math.round(minutes * 2) / 2
const mayComeOff = computed(() => props.resting.word !== 'working')
const ran = computed(() => elapsed(toMilliseconds(Math.floor(fromMilliseconds(props.resting.ms)))))
async function signal(words: string, then: string) {
  said.value = then
  await room.tap({ kind: 'note', text: words })
}
async function stop() {
  await room.tap({ kind: 'sign', sign: 'handUp', region: null, key: props.resting.key })
}
</script>

<template>
  <section class="silence" aria-label="Silence">
    <h1>{{ resting.name }}</h1>
    <p class="dim">Nobody speaks.</p>
    <p class="left serif figures" role="timer" :aria-label="`${left} minutes left`">
      {{ left }} <small>min</small>
    </p>
    <p class="dim figures">
      {{ ran }} on · from {{ whole(resting.earliest) }}, off by {{ whole(resting.latest) }} min
    </p>
    <p class="said" role="status">{{ said }}</p>
    <div class="row middle" role="group" aria-label="What the hand says">
      <RoomButton @click="signal('hand signal: more blanket', 'A blanket, without a word.')"
        >More blanket</RoomButton
      >
      <RoomButton
        @click="
          signal('hand signal: too tight', 'Mist the edge; if it stays tight, take it off now.')
        "
        >Too tight</RoomButton
      >
      <RoomButton @click="signal('mask cracked early', 'Mist it, and end early: oil film, cloth.')"
        >It cracks</RoomButton
      >
      <RoomButton tone="warn" @click="stop">Stop</RoomButton>
    </div>
    <div class="row middle">
      <RoomButton :tone="mayComeOff ? 'go' : 'key'" data-next @click="emit('off')">
        {{ mayComeOff ? 'Firm all over: take it off' : 'End the silence' }}
      </RoomButton>
      <RoomButton tone="quiet" @click="emit('leave')">Show the step</RoomButton>
    </div>
  </section>
</template>

<style scoped>
.silence {
  grid-column: 1 / -1;
  grid-row: 2 / -1;
  display: flex;
  flex-direction: column;
  align-items: center;
  justify-content: center;
  gap: 16px;
  text-align: center;
  padding: 20px;
}
h1 {
  font-size: 1.8rem;
}
.left {
  font-size: clamp(5rem, 18vw, 11rem);
  line-height: 1;
}
small {
  font-size: 0.3em;
}
.dim {
  color: var(--candle-dim);
}
.said {
  color: var(--glow);
  min-height: 1.6em;
  font-size: 1.3rem;
}
.middle {
  justify-content: center;
}
</style>
