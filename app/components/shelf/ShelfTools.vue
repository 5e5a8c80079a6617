<script setup lang="ts">
import type { ShelfQuery } from '#contracts/shelf'

/** How the shelf is sought and sorted. */
defineProps<{ counted: string; may: boolean }>()
const search = defineModel<string>('search', { required: true })
const sort = defineModel<ShelfQuery['sort']>('sort', { required: true })
const also = defineModel<{ retired: boolean; empty: boolean; low: boolean }>('also', {
  required: true,
})
const SORTS = [
  { value: 'kind', title: 'by kind' },
  { value: 'name', title: 'by name' },
  { value: 'left', title: 'least left first' },
  { value: 'ends', title: 'ends first' },
]
const set = (key: 'retired' | 'empty' | 'low', on: boolean | null) => {
  also.value = { ...also.value, [key]: on === true }
}
</script>

<template>
  <div class="row tools">
    <VTextField
      v-model="search"
      class="search"
      label="Name, kind or ingredient"
      type="search"
      maxlength="60"
      hide-details
    />
    <VSelect v-model="sort" class="sort" label="Sorted" :items="SORTS" hide-details />
    <VCheckbox
      :model-value="also.low"
      label="only what runs low"
      hide-details
      @update:model-value="set('low', $event)"
    />
    <template v-if="may">
      <VCheckbox
        :model-value="also.empty"
        label="empty bottles too"
        hide-details
        @update:model-value="set('empty', $event)"
      />
      <VCheckbox
        :model-value="also.retired"
        label="show discontinued too"
        hide-details
        @update:model-value="set('retired', $event)"
      />
    </template>
    <span class="soft figures" role="status">{{ counted }}</span>
  </div>
</template>

<style scoped>
.tools {
  margin: 10px 0 14px;
  align-items: center;
}
/* Widths that nothing loaded later changes: a row that wraps moves the whole shelf. */
.search {
  flex: 1 1 0;
  min-width: 180px;
  max-width: 380px;
}
.sort {
  flex: none;
  width: 173px;
}
</style>
