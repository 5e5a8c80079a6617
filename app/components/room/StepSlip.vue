<script setup lang="ts">
import type { PlanStep } from '#core/catalogue/techniques/step'
import { areaOf } from '#core/face/regions'
import { laidFor, topUpNow } from '#core/treatment/step/slip'
import { useAmount } from '~/composables/room/amount'
import { useRoom } from '~/stores/room'

/** The medium under the hand: a measured top-up before it drags. */
const props = defineProps<{ step: PlanStep; ran: number }>()
const room = useRoom()
const { item, planned, taken, add } = useAmount(() => props.step)
/** Since it went on, or was topped up. */
const since = computed(() =>
  room.state ? laidFor(room.state, props.ran, taken.value?.at) : props.ran,
)
const more = computed(() =>
  planned.value && item.value && room.input
    ? topUpNow(props.step, room.input.profile, {
        bottle: item.value.product,
        laid: planned.value.millilitres,
        area: areaOf(props.step.regions, room.input.faceSize),
        ranMs: since.value,
      })
    : undefined,
)
const topUp = () => more.value && add(more.value.millilitres)
</script>

<template>
  <div v-if="more" class="row" role="status">
    <b class="glow">It will drag soon: {{ more.words }} more.</b>
    <RoomButton @click="topUp">Topped up</RoomButton>
  </div>
</template>

<style scoped>
.glow {
  color: var(--glow);
}
</style>
