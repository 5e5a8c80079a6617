<script setup lang="ts">
/**
 * A number that is changed when one has finished typing it. What is being typed stays, also when
 * the panel around it is drawn anew.
 */
const props = defineProps<{
  label: string
  value: number
  least: number
  most: number
  step: number
  disabled: boolean
}>()
const emit = defineEmits<{ change: [value: number] }>()
/** A number field gives a number, or an empty text where none can be read. */
const typed = ref<number | ''>(props.value)
watch(
  () => props.value,
  (value) => {
    typed.value = value
  },
)
function done() {
  const value =
    typed.value === ''
      ? props.value
      : Math.min(
          props.most,
          Math.max(props.least, Math.round(typed.value / props.step) * props.step),
        )
  typed.value = value
  if (value !== props.value) emit('change', value)
}
</script>

<template>
  <label
    >{{ label }}
    <input
      v-model="typed"
      type="number"
      :min="least"
      :max="most"
      :step="step"
      :disabled="disabled"
      @change="done"
  /></label>
</template>

<style scoped>
label {
  font-size: 0.875rem;
  color: var(--ink-soft);
}
input {
  width: 68px;
  border: 1.5px solid var(--oak-light);
  border-radius: 7px;
  padding: 5px 8px;
  background: var(--chalk);
  font-variant-numeric: tabular-nums;
  color: var(--ink);
  display: block;
}
</style>
