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
  <VTextField
    v-model.number="typed"
    type="number"
    class="number"
    :label="label"
    :min="least"
    :max="most"
    :step="step"
    :disabled="disabled"
    density="compact"
    hide-details
    @change="done"
  />
</template>

<style scoped>
.number {
  flex: none;
  width: 104px;
  font-variant-numeric: tabular-nums;
}
</style>
