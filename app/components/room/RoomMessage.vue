<script setup lang="ts">
/** Nothing to do here now: one sentence, one way on. */
defineProps<{ title: string; text: string }>()
</script>

<template>
  <div class="middle">
    <h1>{{ title }}</h1>
    <p class="dim">{{ text }}</p>
    <slot />
  </div>
</template>

<style scoped>
.middle {
  grid-column: 1 / -1;
  grid-row: 2 / -1;
  display: flex;
  flex-direction: column;
  align-items: center;
  justify-content: center;
  gap: 18px;
}
h1 {
  font-size: clamp(2.2rem, 4.6vw, 3.7rem);
  font-weight: 560;
}
.dim {
  color: var(--candle-dim);
}
</style>
