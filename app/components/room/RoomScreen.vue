<script setup lang="ts">
/** A whole screen of the room that asks for one thing, with the face beside it. */
defineProps<{ label: string }>()
const emit = defineEmits<{ close: [] }>()
</script>

<template>
  <VDialog
    :model-value="true"
    fullscreen
    theme="room"
    :aria-label="label"
    transition="fade-transition"
    @update:model-value="emit('close')"
  >
    <VSheet class="screen">
      <div class="face"><slot name="face" /></div>
      <div class="body"><slot /></div>
    </VSheet>
  </VDialog>
</template>

<style scoped>
.screen {
  min-height: 100%;
  background: var(--night);
  color: var(--candle);
  display: grid;
  grid-template-columns: 380px 1fr;
  gap: 34px;
  align-items: center;
  padding: 24px 34px;
  overflow-y: auto;
}
.face {
  height: min(680px, 88vh);
}
.body {
  display: flex;
  flex-direction: column;
  gap: 12px;
}
.body :deep(h2) {
  font-size: 1.8rem;
}
.body :deep(h3) {
  font-size: 1.3rem;
}
@media (max-width: 820px) {
  .screen {
    grid-template-columns: 1fr;
    align-content: start;
  }
  .face {
    height: 300px;
  }
}
</style>
