<script setup lang="ts">
import { ENDED_BECAUSE } from '#core/catalogue/rules/stopRules'
import type { Cue } from '#core/treatment/step/cue'

/** The cue has not come: what to do, and the one tap that ends the step all the same. */
defineProps<{ cue: Cue }>()
const emit = defineEmits<{ end: [because: string]; close: [] }>()
</script>

<template>
  <RoomSheet label="Not yet" title="Not yet" closable @close="emit('close')">
    <p class="what">{{ cue.notYet }}</p>
    <p class="dim">Waited for: {{ cue.cue }}</p>
    <div class="row" role="group" aria-label="End it anyway, because">
      <span class="dim">End it anyway:</span>
      <RoomButton v-for="why in ENDED_BECAUSE" :key="why" @click="emit('end', why)">{{
        why
      }}</RoomButton>
    </div>
  </RoomSheet>
</template>

<style scoped>
.what {
  font-size: 1.5rem;
  color: var(--glow);
}
.dim {
  color: var(--candle-dim);
}
</style>
