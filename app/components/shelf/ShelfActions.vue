<script setup lang="ts">
import type { ShelfRow } from '#contracts/replies/shelf'

/** What may be done with a product and one of its bottles. */
defineProps<{ row: ShelfRow; hasBottle?: boolean }>()
const emit = defineEmits<{ edit: []; receive: []; bottle: [] }>()
</script>

<template>
  <div class="row actions">
    <VBtn v-if="hasBottle" size="small" height="38" variant="text" @click="emit('bottle')"
      >Bottle<span class="sr"> of {{ row.product.name }}</span></VBtn
    >
    <VBtn size="small" height="38" variant="text" @click="emit('receive')"
      >Receive<span class="sr"> {{ row.product.name }}</span></VBtn
    >
    <VBtn size="small" height="38" variant="text" @click="emit('edit')"
      >Change<span class="sr"> {{ row.product.name }}</span></VBtn
    >
  </div>
</template>

<style scoped>
.actions {
  gap: 0;
  flex-wrap: nowrap;
}
</style>
