<script setup lang="ts">
import type { PlanStep } from '#core/catalogue/techniques/step'
import { techniqueOf } from '#core/catalogue/techniques/ownWay'
import { fittingNow } from '#core/treatment/step/fitting'
import { useRoom } from '~/stores/room'

/** Which head or electrode is on, and what it goes over: what suits this client, until another is taken. */
const props = defineProps<{ step: PlanStep }>()
const room = useRoom()
const GROUPS = [
  { is: 'head', title: 'Head or electrode', before: '' },
  { is: 'medium', title: 'What it goes over', before: 'Over' },
] as const
const groups = computed(() =>
  GROUPS.map(({ is, title, before }) => ({
    is,
    title,
    before,
    fittings: techniqueOf(props.step).fittings?.filter((own) => own.is === is) ?? [],
    on: room.state && room.input && fittingNow(room.state, props.step, room.input.profile, is),
  })).filter(({ fittings }) => fittings.length > 0),
)
</script>

<template>
  <div v-for="group in groups" :key="group.is" class="row" role="group" :aria-label="group.title">
    <span v-if="group.before">{{ group.before }}</span>
    <RoomButton
      v-for="fitting in group.fittings"
      :key="fitting.id"
      :tone="fitting.id === group.on?.id ? 'go' : undefined"
      :aria-pressed="fitting.id === group.on?.id"
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
