<script setup lang="ts">
import { mdiDotsVertical } from '@mdi/js'
import type { ShelfRow } from '#contracts/replies/shelf'

/** What may be done with a product and one of its bottles. */
defineProps<{ row: ShelfRow; hasBottle?: boolean }>()
const emit = defineEmits<{ edit: []; receive: []; bottle: [] }>()
</script>

<template>
  <VMenu>
    <template #activator="{ props: opens }">
      <VBtn
        v-bind="opens"
        :icon="mdiDotsVertical"
        variant="text"
        size="small"
        :aria-label="`Change ${row.product.name}`"
      />
    </template>
    <VList>
      <VListItem v-if="hasBottle" title="This bottle" @click="emit('bottle')" />
      <VListItem title="Receive a bottle" @click="emit('receive')" />
      <VListItem title="Change the product" @click="emit('edit')" />
    </VList>
  </VMenu>
</template>
