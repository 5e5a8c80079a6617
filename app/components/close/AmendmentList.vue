<script setup lang="ts">
/** What was changed in the open: who, when and why, and both texts. */
defineProps<{
  amendments: readonly { key: string; said: string; before: string; after: string }[]
}>()
</script>

<template>
  <h3>Amendments, beside the original</h3>
  <div v-for="amendment in amendments" :key="amendment.key" class="amend">
    <p class="soft">{{ amendment.said }}</p>
    <p>
      <s>{{ amendment.before || 'nothing' }}</s>
    </p>
    <p>{{ amendment.after }}</p>
  </div>
</template>

<style scoped>
h3 {
  margin-top: 10px;
}
p {
  margin: 4px 0;
}
.amend {
  border-left: 4px solid var(--amber);
  padding-left: 10px;
  margin: 6px 0;
}
</style>
