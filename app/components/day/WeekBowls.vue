<script setup lang="ts">
import { mdiChevronLeft, mdiChevronRight } from '@mdi/js'
import type { WeekDay } from '#contracts/replies/house'
import { addDays } from '#core/screening/asking/days'
import { WEEK_DAYS } from '#core/units'

/** The week of the day shown, the weeks beside it a tap away, the month under a button. */
const props = defineProps<{ week: readonly WeekDay[]; day: string }>()
defineEmits<{ drop: [visitId: string, day: string] }>()
const SHORT = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun']
const beside = (weeks: number) => `/?date=${addDays(props.day, weeks * WEEK_DAYS)}`
</script>

<template>
  <nav class="week" aria-label="The week">
    <VBtn
      variant="text"
      size="small"
      :active="false"
      :icon="mdiChevronLeft"
      :to="beside(-1)"
      aria-label="The week before"
    />
    <DayBowl
      v-for="(own, at) in week"
      :key="own.day"
      :own="own"
      :here="own.day === day"
      :name="SHORT[at] ?? ''"
      @drop="(id) => $emit('drop', id, own.day)"
    />
    <VBtn
      variant="text"
      size="small"
      :active="false"
      :icon="mdiChevronRight"
      :to="beside(1)"
      aria-label="The week after"
    />
    <MonthBowls :day="day" />
  </nav>
</template>

<style scoped>
.week {
  display: flex;
  align-items: center;
  gap: 2px;
}
</style>
