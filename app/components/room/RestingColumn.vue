<script setup lang="ts">
import type { RestingOnFace } from '#core/treatment/order/atHand'

/** What works by itself, and what of it comes off next. */
defineProps<{ resting: readonly RestingOnFace[] }>()
</script>

<template>
  <section class="rests" aria-label="Resting">
    <RestingVessel v-for="one in resting" :key="one.key" :resting="one" />
    <OffNext v-if="resting.length" />
  </section>
</template>

<style scoped>
.rests {
  padding: 20px 0 10px;
  display: flex;
  flex-wrap: wrap;
  gap: 14px;
  align-content: flex-start;
  position: relative;
  pointer-events: none;
}
@media (max-width: 1000px) {
  .rests {
    padding-left: 32px;
  }
}
</style>
