<script setup lang="ts">
import type { WeekDay } from '#contracts/replies/house'
import { isoDayWords } from '~/composables/dates'
import { BASIN_COLOURS } from '~/theme/colours'

/** The seven days of the week as bowls: how much of what is open is taken. */
const props = defineProps<{ week: readonly WeekDay[]; day: string }>()
const SHORT = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun']
const days = computed(() =>
  props.week.map((own, at) => {
    const share = own.openMinutes > 0 ? Math.min(1, own.takenMinutes / own.openMinutes) : 0
    const shut = own.shut ?? (own.openMinutes === 0 ? 'shut' : '')
    const visits = `${own.visits} ${own.visits === 1 ? 'visit' : 'visits'}`
    return {
      day: own.day,
      name: SHORT[at],
      y: 2 + 20 * (1 - share),
      shut: shut !== '' && own.visits === 0,
      title: [isoDayWords(own.day), visits, shut].filter(Boolean).join(', '),
    }
  }),
)
const clip = useId()
</script>

<template>
  <nav class="week" aria-label="The week">
    <NuxtLink
      v-for="own in days"
      :key="own.day"
      :to="`/?date=${own.day}`"
      :aria-current="own.day === day ? 'date' : undefined"
      :class="{ here: own.day === day, shut: own.shut }"
      :title="own.title"
    >
      <svg viewBox="0 0 34 28" aria-hidden="true">
        <clipPath :id="clip"><path d="M4 3h26c0 13-5 21-13 21S4 16 4 3z" /></clipPath>
        <g :clip-path="`url(#${clip})`">
          <rect width="34" height="28" :fill="BASIN_COLOURS.desk.bowl" />
          <rect width="34" height="28" :y="own.y" :fill="BASIN_COLOURS.today" />
        </g>
        <path
          d="M4 3c0 13 5 21 13 21s13-8 13-21"
          fill="none"
          :stroke="BASIN_COLOURS.desk.line"
          stroke-width="1.5"
        />
        <path d="M1 3h32" :stroke="BASIN_COLOURS.desk.line" stroke-width="2.5" />
      </svg>
      {{ own.name }}<span class="sr"> {{ own.title }}</span>
    </NuxtLink>
  </nav>
</template>

<style scoped>
.week {
  display: flex;
  gap: 4px;
}
.week a {
  min-width: 44px;
  min-height: 44px;
  display: flex;
  flex-direction: column;
  align-items: center;
  color: var(--ink-soft);
  text-decoration: none;
  font-size: 0.875rem;
  border-radius: 8px;
}
.week svg {
  width: 34px;
  height: 28px;
}
.week .here {
  color: var(--basin);
  font-weight: 700;
}
.week .shut svg {
  opacity: 0.4;
}
</style>
