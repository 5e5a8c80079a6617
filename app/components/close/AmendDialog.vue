<script setup lang="ts">
/** A later change, in the open: both texts and why. */
const props = defineProps<{ before: string; trouble: string }>()
const emit = defineEmits<{ amend: [after: string, reason: string]; close: [] }>()
const after = ref(props.before)
const reason = ref('')
</script>

<template>
  <VDialog
    :model-value="true"
    max-width="640"
    aria-label="Amend the record"
    @update:model-value="emit('close')"
  >
    <VCard class="pa-5 stack">
      <h2>Amend the record</h2>
      <p class="soft">Both texts and the reason stay in sight. The seal is not touched.</p>
      <VTextarea v-model="after" label="The notes as they should read" />
      <VTextField v-model="reason" label="Reason" />
      <p v-if="trouble" role="alert" class="tag stop">{{ trouble }}</p>
      <div class="row">
        <VBtn color="primary" @click="emit('amend', after, reason)">Add the amendment</VBtn>
        <VBtn variant="outlined" @click="emit('close')">Cancel</VBtn>
      </div>
    </VCard>
  </VDialog>
</template>
