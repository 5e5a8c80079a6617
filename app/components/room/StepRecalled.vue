<script setup lang="ts">
import type { PlanStep } from '#core/catalogue/techniques/step'
import { recalledNow } from '#core/treatment/stop/recalled'
import { useRoom } from '~/stores/room'
import { useVisit } from '~/stores/visit'

/** The bottle of this step was called back while the visit runs: said before it is used. */
const props = defineProps<{ step: PlanStep }>()
const emit = defineEmits<{ swap: [] }>()
const room = useRoom()
const visit = useVisit()
const words = computed(() =>
  room.state && visit.bundle
    ? recalledNow(room.state, props.step, visit.bundle.shelf, visit.bundle.today)
    : '',
)
</script>

<template>
  <div v-if="words" class="row recalled" role="alert">
    <b>{{ words }}</b>
    <RoomButton tone="warn" @click="emit('swap')">Use another product</RoomButton>
  </div>
</template>

<style scoped>
.recalled {
  color: var(--warn-text);
  gap: 6px 14px;
}
</style>
