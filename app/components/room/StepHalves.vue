<script setup lang="ts">
import type { PlanStep } from '#core/catalogue/techniques/step'
import { SIDE_NAMES, type Side } from '#core/face/sides'
import { canSplit, halfTimesNow, halfWords } from '#core/treatment/step/halfTime'
import { elapsed } from '~/composables/dates'
import { useRoom } from '~/stores/room'
import { useVisit } from '~/stores/visit'

/** Half against half: one side, then the other for as long, compared under the light noted. */
const props = defineProps<{ step: PlanStep }>()
const room = useRoom()
const visit = useVisit()
/** Set up with the reading: which half is worked first, and under which light. */
const split = computed(() =>
  canSplit(props.step)
    ? visit.bundle?.halves.findLast(({ moment }) => moment === 'before')
    : undefined,
)
const sides = computed<Side[]>(() => (split.value?.worked === 'R' ? ['R', 'L'] : ['L', 'R']))
const times = computed(() => room.state && halfTimesNow(room.state, props.step.key, room.now))
const words = computed(() =>
  times.value ? halfWords(props.step, times.value, split.value?.light ?? '') : '',
)
const turnTo = (side: Side) =>
  room.tap({
    kind: 'side',
    key: props.step.key,
    side: times.value?.running === side ? null : side,
  })
</script>

<template>
  <div v-if="split && times" class="row" role="group" aria-label="Half against half">
    <RoomButton
      v-for="side in sides"
      :key="side"
      :tone="times.running === side ? 'go' : undefined"
      :aria-pressed="times.running === side"
      @click="turnTo(side)"
      >{{ SIDE_NAMES[side] }} <b class="figures">{{ elapsed(times[side]) }}</b></RoomButton
    >
    <span class="words" role="status">{{ words }}</span>
  </div>
</template>

<style scoped>
.words {
  color: var(--glow);
  font-weight: 650;
}
</style>
