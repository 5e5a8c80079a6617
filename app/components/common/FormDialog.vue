<script setup lang="ts">
/** A form in a dialog: its fields, what was refused, one way on and one way out. */
defineProps<{ title: string; save: string; busy: boolean; trouble: string }>()
defineEmits<{ submit: []; close: [] }>()
</script>

<template>
  <VDialog
    :model-value="true"
    scrollable
    max-width="760"
    persistent
    :aria-label="title"
    @keydown.esc="$emit('close')"
  >
    <VCard>
      <form class="stack pa-5" novalidate @submit.prevent="$emit('submit')">
        <h2>{{ title }}</h2>
        <slot />
        <p v-if="trouble" role="alert" class="tag stop">{{ trouble }}</p>
        <div class="row">
          <VBtn type="submit" color="primary" :loading="busy">{{ save }}</VBtn>
          <VBtn variant="text" @click="$emit('close')">Close</VBtn>
        </div>
      </form>
    </VCard>
  </VDialog>
</template>
