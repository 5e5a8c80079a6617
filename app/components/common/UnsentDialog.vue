<script setup lang="ts">
import { howMany } from '#core/words'
defineProps<{ unsent: number }>()
const emit = defineEmits<{ stay: []; leave: [] }>()
</script>

<template>
  <VDialog :model-value="true" aria-label="Something is unsent" @update:model-value="emit('stay')">
    <VCard class="pa-5">
      <h2>Something on this device is not saved yet</h2>
      <p class="my-3">
        {{ howMany(unsent, 'draft or tap has') }} not reached the server. Signing out wipes them
        from this device.
      </p>
      <div class="row">
        <VBtn color="primary" @click="emit('stay')">Stay</VBtn
        ><VBtn variant="outlined" color="error" @click="emit('leave')">Wipe and sign out</VBtn>
      </div>
    </VCard>
  </VDialog>
</template>
