<script setup lang="ts">
import { DateTime } from 'luxon'

/** A month to choose a day from; weeks begin on Monday. */
const props = defineProps<{
  /** ISO day, or empty. */ day: string
  min?: string | undefined
  max?: string | undefined
}>()
const emit = defineEmits<{ choose: [day: string] }>()
/** The calendar counts in days of this device: the same day there, at noon. */
const atNoon = (day: string) => DateTime.fromISO(`${day}T12:00`).toJSDate()
const chosen = (date: unknown) => {
  const day = date instanceof Date ? DateTime.fromJSDate(date).toISODate() : null
  if (day) emit('choose', day)
}
</script>

<template>
  <VDatePicker
    :model-value="props.day ? atNoon(props.day) : null"
    :min="props.min"
    :max="props.max"
    :first-day-of-week="1"
    show-adjacent-months
    hide-header
    color="primary"
    @update:model-value="chosen"
  />
</template>
