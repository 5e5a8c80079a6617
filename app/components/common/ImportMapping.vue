<script setup lang="ts" generic="Field extends string">
/** Which column of the file is what; guessed by its name, changed by hand. */
const props = defineProps<{
  headers: readonly string[]
  fields: readonly { value: Field; title: string }[]
  mapping: Partial<Record<Field, number>>
}>()
const emit = defineEmits<{ change: [mapping: Partial<Record<Field, number>>] }>()
const NONE = -1
const columns = computed(() => [
  { value: NONE, title: 'no column' },
  ...props.headers.map((title, value) => ({ value, title: title || `column ${value + 1}` })),
])
function set(field: Field, at: number) {
  const next = { ...props.mapping, [field]: at }
  emit(
    'change',
    Object.fromEntries(Object.entries(next).filter(([, own]) => own !== NONE)) as typeof next,
  )
}
</script>

<template>
  <section class="mapping" aria-label="Which column is what">
    <VSelect
      v-for="field in fields"
      :key="field.value"
      :model-value="mapping[field.value] ?? NONE"
      :items="columns"
      :label="field.title"
      density="compact"
      hide-details
      @update:model-value="(at: number) => set(field.value, at)"
    />
  </section>
</template>

<style scoped>
.mapping {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(160px, 1fr));
  gap: 10px;
}
</style>
