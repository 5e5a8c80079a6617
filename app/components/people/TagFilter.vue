<script setup lang="ts">
/** Only those who carry one tag of the house; loaded where there are any. */
defineProps<{ tags: readonly string[] }>()
const tag = defineModel<string | null>({ required: true })
</script>

<template>
  <VSelect v-model="tag" :items="tags" label="Tag" clearable hide-details />
</template>
