<script setup lang="ts">
/** A time of day by the clock of 24 hours, whatever the browser's language is. */
defineOptions({ inheritAttrs: false })
const props = defineProps<{
  /** "HH:MM", or empty. */ modelValue: string
  label: string
}>()
const emit = defineEmits<{ 'update:modelValue': [time: string] }>()
/** "9", "930", "9:30", "9.30" and "09:30" are times. */
const TIME = /^([01]?\d|2[0-3])(?:[:.h ]?([0-5]\d))?$/
const text = ref(props.modelValue)
const typing = ref(false)
const wrong = ref(false)
watch(
  () => props.modelValue,
  (time) => {
    if (!typing.value) text.value = time
  },
)
function commit() {
  const typed = text.value.trim()
  const [whole, hour = '', minute = '00'] = TIME.exec(typed) ?? []
  wrong.value = typed !== '' && whole === undefined
  emit('update:modelValue', whole === undefined ? typed : `${hour.padStart(2, '0')}:${minute}`)
}
function leave() {
  typing.value = false
  if (!wrong.value) text.value = props.modelValue
}
</script>

<template>
  <VTextField
    v-bind="$attrs"
    v-model="text"
    :label="label"
    :error-messages="wrong && !typing ? ['A time like 14:30.'] : []"
    placeholder="14:30"
    inputmode="numeric"
    autocomplete="off"
    @focus="typing = true"
    @change="commit"
    @blur="leave"
  />
</template>
