<script setup lang="ts">
/** A visit that was tapped through: is it to be sealed as it stands? */
defineProps<{ clock: number; planned: number; busy: boolean }>()
const emit = defineEmits<{ seal: []; close: [] }>()
</script>

<template>
  <VDialog
    :model-value="true"
    max-width="560"
    aria-label="Seal although times are much shorter?"
    @update:model-value="emit('close')"
  >
    <VCard class="pa-5 stack">
      <h2>Seal although times are much shorter?</h2>
      <p class="figures">
        The steps took {{ Math.round(clock) }} min on the clock; {{ Math.round(planned) }} min were
        planned. Stock is not reduced for products that were not measured; skin load is entered as
        planned.
      </p>
      <div class="row">
        <VBtn color="primary" :loading="busy" @click="emit('seal')">Seal anyway</VBtn>
        <VBtn variant="outlined" @click="emit('close')">Not yet</VBtn>
      </div>
    </VCard>
  </VDialog>
</template>
