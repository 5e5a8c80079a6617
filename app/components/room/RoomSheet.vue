<script setup lang="ts">
/** A sheet from below: one question, large answers; Escape closes it. */
defineProps<{ label: string; title: string; closable?: boolean }>()
const emit = defineEmits<{ close: [] }>()
</script>

<template>
  <VBottomSheet
    :model-value="true"
    theme="room"
    :scrim="false"
    :persistent="!closable"
    :aria-label="label"
    @update:model-value="emit('close')"
  >
    <VSheet class="sheet">
      <h2>{{ title }}</h2>
      <slot />
      <RoomButton v-if="closable" tone="quiet" class="close" @click="emit('close')"
        >Close (Esc)</RoomButton
      >
    </VSheet>
  </VBottomSheet>
</template>

<style scoped>
.sheet {
  background: var(--ember);
  color: var(--candle);
  border-top: 2px solid var(--brass);
  padding: 24px 38px;
  display: flex;
  flex-direction: column;
  gap: 14px;
}
h2 {
  font-size: 1.7rem;
}
.close {
  align-self: flex-start;
}
</style>
