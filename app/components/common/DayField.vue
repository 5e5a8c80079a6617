<script setup lang="ts">
import { mdiCalendarMonthOutline } from '@mdi/js'
import { isDay } from '#core/screening/asking/days'
import { CENTURY_END, readDay } from '#contracts/addressBook/days'
import { fieldDay } from '~/composables/dates'

/**
 * A day, typed as people write it (day first) or chosen from a calendar, shown in the one style of
 * this application whatever the browser's language is.
 */
defineOptions({ inheritAttrs: false })
const props = defineProps<{
  /** ISO day, or empty. */ modelValue?: string | null
  label: string
  errorMessages?: string | readonly string[]
  /** The first and last ISO day that may be chosen. */ min?: string | undefined
  max?: string | undefined
  /** Years of two digits have been, as of birthdays. */ past?: boolean
  /** Nothing but a day is given out; what cannot be read stays here, with what is wrong with it. */
  whole?: boolean
}>()
const emit = defineEmits<{ 'update:modelValue': [day: string] }>()
const WEEKDAY = /^\p{L}{2,3} (?=\d)/u
const shown = (day: string) => (isDay(day) ? fieldDay(day) : day)
const chosen = computed(() => props.modelValue ?? '')
const text = ref(shown(chosen.value))
const typing = ref(false)
const choosing = ref(false)
const trouble = ref('')
watch(chosen, (day) => {
  if (!typing.value) text.value = shown(day)
})
function troubleOf(day: string | undefined): string {
  if (day === undefined) return 'A day like 30.11.2026, day first.'
  if (day === '') return ''
  if (props.min && day < props.min) return `Not before ${shown(props.min)}.`
  return props.max && day > props.max ? `Not after ${shown(props.max)}.` : ''
}
const readAs = (said: string) => readDay(said, 'day first', props.past ? undefined : CENTURY_END)
/** "1.12." and "1 Dec" are of this year. */
const withYear = (said: string) => {
  const year = new Date().getFullYear()
  return /^[\d.]+$/.test(said) ? `${said.replace(/\.$/, '')}.${year}` : `${said} ${year}`
}
/** When the hand has gone on: half a year typed is not a day of the first century. */
function commit() {
  const plain = text.value.trim().replace(WEEKDAY, '')
  const short = props.past ? undefined : readAs(withYear(plain))
  const day = plain === '' ? '' : (readAs(plain) ?? short)
  trouble.value = troubleOf(day)
  if (trouble.value === '') emit('update:modelValue', day ?? '')
  else if (!props.whole) emit('update:modelValue', plain)
}
function leave() {
  typing.value = false
  if (trouble.value === '') text.value = shown(chosen.value)
}
function choose(day: string) {
  choosing.value = false
  trouble.value = ''
  text.value = shown(day)
  emit('update:modelValue', day)
}
const problems = computed(() => {
  const given = props.errorMessages ?? []
  const all = typeof given === 'string' ? [given] : [...given]
  return (typing.value || trouble.value === '' ? all : [trouble.value]).filter(Boolean)
})
</script>

<template>
  <VTextField
    v-bind="$attrs"
    v-model="text"
    class="dayfield"
    :label="label"
    :error-messages="problems"
    placeholder="day.month.year"
    autocomplete="off"
    @focus="typing = true"
    @change="commit"
    @blur="leave"
  >
    <template #append-inner>
      <VMenu v-model="choosing" :close-on-content-click="false">
        <template #activator="{ props: opens }">
          <VBtn
            v-bind="opens"
            :icon="mdiCalendarMonthOutline"
            variant="text"
            size="small"
            height="36"
            :disabled="Boolean($attrs.disabled)"
            :aria-label="`${label}: calendar`"
          />
        </template>
        <LazyDayCalendar v-if="choosing" :day="chosen" :min="min" :max="max" @choose="choose" />
      </VMenu>
    </template>
  </VTextField>
</template>

<style scoped>
.dayfield {
  --v-field-padding-end: 4px;
}
</style>
