<script setup lang="ts">
import { barredNow } from '#core/planning/today/barredNow'
import type { PlanStep } from '#core/catalogue/techniques/step'
import { productUsed } from '#core/treatment/order/atHand'
import { useRoom } from '~/stores/room'

/** Something was told while the visit runs that speaks against this step: said before it goes on. */
const props = defineProps<{ step: PlanStep }>()
const emit = defineEmits<{ skip: [] }>()
const room = useRoom()
const words = computed(() =>
  room.state && room.input
    ? barredNow(props.step, room.input, productUsed(room.state, props.step))
    : '',
)
</script>

<template>
  <div v-if="words" class="row barred" role="alert">
    <b>{{ words }}</b>
    <RoomButton tone="warn" @click="emit('skip')">Skip this step</RoomButton>
  </div>
</template>

<style scoped>
.barred {
  color: var(--warn-text);
  gap: 6px 14px;
}
</style>
