<script setup lang="ts">
import type { PlanStep } from '#core/catalogue/techniques/step'
import { plannedAlong } from '#core/planning/today/alongside'
import { recalledNow } from '#core/treatment/stop/recalled'
import { productUsed } from '#core/treatment/order/atHand'
import { useRoom } from '~/stores/room'
import { useVisit } from '~/stores/visit'

/** A bottle of this step was called back while the visit runs: said before it is used. */
const props = defineProps<{ step: PlanStep }>()
const emit = defineEmits<{ swap: [] }>()
const room = useRoom()
const visit = useVisit()
const used = computed(() => room.state && productUsed(room.state, props.step))
const along = computed(() => {
  if (!room.input) return []
  const step = used.value ? { ...props.step, productId: used.value } : props.step
  return plannedAlong(step, room.input)
})
const words = computed(() =>
  room.state && visit.bundle
    ? recalledNow(room.state, props.step, visit.bundle.shelf, visit.bundle.today, along.value)
    : [],
)
/** What is taken along is chosen anew by itself; the step's own bottle by hand. */
const own = computed(
  () =>
    room.state &&
    visit.bundle &&
    recalledNow(room.state, props.step, visit.bundle.shelf, visit.bundle.today).length > 0,
)
</script>

<template>
  <div v-if="words.length" class="recalled" role="alert">
    <b v-for="word in words" :key="word">{{ word }}</b>
    <RoomButton v-if="own" tone="warn" @click="emit('swap')">Use another product</RoomButton>
  </div>
</template>

<style scoped>
.recalled {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  color: var(--warn-text);
  gap: 6px 14px;
}
</style>
