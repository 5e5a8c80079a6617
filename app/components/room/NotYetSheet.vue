<script setup lang="ts">
import { ENDED_BECAUSE } from '#core/catalogue/rules/stopRules'
import { TECHNIQUES } from '#core/catalogue/techniques/techniques'
import type { PlanStep } from '#core/catalogue/techniques/step'

/** The cue has not come: what to do, and the one tap that ends the step all the same. */
const props = defineProps<{ step: PlanStep; colour: string }>()
const emit = defineEmits<{ end: [because: string]; close: [] }>()
const technique = computed(() => TECHNIQUES[props.step.technique])
</script>

<template>
  <RoomSheet label="Not yet" title="Not yet" closable @close="emit('close')">
    <p class="what">{{ technique.notYet }}</p>
    <p v-if="colour" class="dim">{{ colour }}: if it does not come, more water, work it longer.</p>
    <p class="dim">Waited for: {{ technique.cue }}</p>
    <div class="row" role="group" aria-label="End it all the same, because">
      <span class="dim">End it all the same:</span>
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
