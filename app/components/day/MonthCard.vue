<script setup lang="ts">
import { mdiChevronLeft, mdiChevronRight } from '@mdi/js'
import type { WeekDay } from '#contracts/replies/house'
import { MONTH_WEEKS, WEEK_DAYS } from '#core/units'
import { DateTime } from 'luxon'
import { sayProblem, useApi } from '~/composables/useApi'

/** A month at a glance: how full each day is. One tap goes there. */
const props = defineProps<{ day: string }>()
const api = useApi()
const first = ref('')
const days = ref<readonly WeekDay[]>([])
const trouble = ref('')
const heading = computed(() =>
  DateTime.fromISO(first.value).setLocale('en-GB').toFormat('LLLL yyyy'),
)
/** Whole weeks that touch the month. */
const shown = computed(() =>
  Array.from({ length: MONTH_WEEKS }, (_, at) =>
    days.value.slice(at * WEEK_DAYS, (at + 1) * WEEK_DAYS),
  )
    .filter((week) => week.some((own) => isOfMonth(own.day)))
    .flat(),
)
const isOfMonth = (day: string) => day.slice(0, 7) === first.value.slice(0, 7)
let asked = 0
async function show(month: string) {
  first.value = month
  trouble.value = ''
  const turn = ++asked
  try {
    const found = await api<WeekDay[]>(`/api/week?date=${month}&weeks=${MONTH_WEEKS}`)
    // Of two months asked for quickly the later one counts.
    if (turn === asked) days.value = found
  } catch (error) {
    if (turn === asked) trouble.value = sayProblem(error)
  }
}
const turnBy = (months: number) =>
  show(DateTime.fromISO(first.value).plus({ months }).toISODate() ?? first.value)
onMounted(() => show(`${props.day.slice(0, 7)}-01`))
</script>

<template>
  <VCard class="month pa-3" role="dialog" :aria-label="heading">
    <header>
      <VBtn
        variant="text"
        size="small"
        :icon="mdiChevronLeft"
        aria-label="The month before"
        @click="turnBy(-1)"
      />
      <h2>{{ heading }}</h2>
      <VBtn
        variant="text"
        size="small"
        :icon="mdiChevronRight"
        aria-label="The month after"
        @click="turnBy(1)"
      />
    </header>
    <p v-if="trouble" role="alert" class="tag stop">{{ trouble }}</p>
    <div class="days">
      <DayBowl
        v-for="own in shown"
        :key="own.day"
        :own="own"
        :here="own.day === day"
        :name="String(DateTime.fromISO(own.day).day)"
        :class="{ other: !isOfMonth(own.day) }"
      />
    </div>
  </VCard>
</template>

<style scoped>
header {
  display: flex;
  align-items: center;
  justify-content: space-between;
}
h2 {
  font-size: 1.1rem;
}
.days {
  display: grid;
  grid-template-columns: repeat(7, 48px);
  gap: 4px 2px;
  min-height: 300px;
  align-content: start;
}
.other {
  opacity: 0.5;
}
</style>
