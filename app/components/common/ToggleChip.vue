<script setup lang="ts">
/** One of several words to tap: taken or not. */
defineProps<{ on?: boolean; disabled?: boolean }>()
</script>

<template>
  <VBtn
    rounded="xl"
    height="40"
    class="chip px-4"
    :variant="on ? 'flat' : 'outlined'"
    :color="on ? 'primary' : undefined"
    :aria-pressed="on"
    :disabled="disabled"
    ><slot
  /></VBtn>
</template>

<style scoped>
.chip {
  font-weight: 500;
}
.chip.v-btn--variant-outlined {
  border-color: var(--oak-light);
  background: var(--paper);
}
</style>
