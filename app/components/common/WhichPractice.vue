<script setup lang="ts">
/** Somebody who works in several practices says where they are now. */
defineProps<{ practices: readonly { value: string; title: string }[] }>()
const branch = defineModel<string>({ required: true })
</script>

<template>
  <VRadioGroup v-model="branch" label="Where are you now?" hide-details>
    <VRadio v-for="own in practices" :key="own.value" :value="own.value" :label="own.title" />
  </VRadioGroup>
</template>
