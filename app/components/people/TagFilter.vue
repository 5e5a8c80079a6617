<script setup lang="ts">
/** Tags of the house, each a tap: only those who carry it are listed, or everybody again. */
defineProps<{ tags: readonly string[] }>()
const tag = defineModel<string | null>({ required: true })
</script>

<template>
  <div class="row filter" role="group" aria-label="Tags">
    <VBtn
      v-for="own in tags"
      :key="own"
      size="small"
      :variant="own === tag ? 'flat' : 'outlined'"
      :color="own === tag ? 'secondary' : undefined"
      :aria-pressed="own === tag"
      @click="tag = own === tag ? null : own"
      >{{ own }}</VBtn
    >
  </div>
</template>

<style scoped>
/* Many tags scroll; the list under them stays where it is. */
.filter {
  max-height: 104px;
  overflow-y: auto;
  margin-bottom: 14px;
}
</style>
