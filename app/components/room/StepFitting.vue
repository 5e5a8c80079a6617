<script setup lang="ts">
import type { PlanStep } from '#core/catalogue/techniques/step'
import { techniqueOf } from '#core/catalogue/techniques/ownWay'
import { fittingNow } from '#core/treatment/step/fitting'
import { useRoom } from '~/stores/room'

/** Which head or electrode is on: the one for this client, until another is put on. */
const props = defineProps<{ step: PlanStep }>()
const room = useRoom()
const fittings = computed(() => techniqueOf(props.step).fittings ?? [])
const on = computed(() =>
  room.state && room.input ? fittingNow(room.state, props.step, room.input.profile) : undefined,
)
</script>

<template>
  <div v-if="fittings.length" class="row" role="group" aria-label="Head or electrode">
    <RoomButton
      v-for="fitting in fittings"
      :key="fitting.id"
      :tone="fitting.id === on?.id ? 'go' : undefined"
      :aria-pressed="fitting.id === on?.id"
      :title="fitting.says"
      @click="room.tap({ kind: 'fitted', key: step.key, fitting: fitting.id })"
      >{{ fitting.name }}</RoomButton
    >
  </div>
</template>

<style scoped>
.row {
  gap: 6px 12px;
}
</style>
