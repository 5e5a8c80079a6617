<script setup lang="ts">
import { FEELS, FELT_AFTER, TOOK_TOO_MUCH } from '#core/catalogue/rules/feel'
import type { PlanStep } from '#core/catalogue/techniques/step'
import { techniqueOf } from '#core/catalogue/techniques/ownWay'
import { useRoom } from '~/stores/room'

/** How the skin feels, as the client says: asked after cleansing and at the end. */
const props = defineProps<{ step: PlanStep }>()
const room = useRoom()
const asked = computed(() => FELT_AFTER.includes(techniqueOf(props.step).stage))
const said = computed(() => room.state?.felt[props.step.key])
const words = computed(() => {
  if (said.value === undefined) return 'Ask how it feels now.'
  return TOOK_TOO_MUCH.includes(said.value) ? 'Noted: the next visit will say so.' : 'Noted.'
})
</script>

<template>
  <div v-if="asked" class="row" role="group" aria-label="How the skin feels">
    <RoomButton
      v-for="feel in FEELS"
      :key="feel"
      :tone="feel === said ? 'go' : undefined"
      :aria-pressed="feel === said"
      @click="room.tap({ kind: 'felt', key: step.key, feel })"
      >{{ feel }}</RoomButton
    >
    <span class="dim" role="status">{{ words }}</span>
  </div>
</template>

<style scoped>
.row {
  gap: 6px 12px;
}
.dim {
  color: var(--candle-dim);
}
</style>
