<script setup lang="ts">
import { techniqueOf } from '#core/catalogue/techniques/ownWay'
import type { PlanStep } from '#core/catalogue/techniques/step'
import { useRoom } from '~/stores/room'

/** Connecting work inside the main step: ticked by hand, or with the step itself. */
defineProps<{ ticks: readonly PlanStep[] }>()
const room = useRoom()
const isDone = (key: string) => room.state?.done.some((own) => own.key === key) ?? false
const name = (step: PlanStep) => techniqueOf(step).name
const tick = ({ key }: PlanStep) => room.tap({ kind: 'stepDone', key, cue: true })
</script>

<template>
  <ul class="plainlist row ticks" aria-label="Inside this step">
    <li v-for="own in ticks" :key="own.key">
      <RoomButton
        :tone="isDone(own.key) ? 'quiet' : 'key'"
        :disabled="isDone(own.key)"
        :aria-label="`${name(own)}, ${isDone(own.key) ? 'done' : 'tick'}`"
        @click="tick(own)"
        ><span aria-hidden="true">{{ isDone(own.key) ? '✓' : '○' }}</span>
        {{ name(own) }}</RoomButton
      >
    </li>
  </ul>
</template>

<style scoped>
.ticks {
  gap: 8px;
}
</style>
