<script setup lang="ts">
import { NIGHTS } from '#core/catalogue/home/nightRows'
import { addDays, daysBetween, weekdayOf } from '#core/screening/asking/days'
import { WEEK_DAYS } from '#core/units'
import type { HomeNight } from '#core/home/routine'
import { isoDayWords } from '~/composables/dates'

/** What each evening is for, week by week, as it hangs beside a mirror. */
const props = defineProps<{ nights: readonly HomeNight[] }>()
const weeks = computed(() => {
  const [first] = props.nights
  if (!first) return []
  const monday = addDays(first.day, 1 - weekdayOf(first.day))
  const last = props.nights[props.nights.length - 1]?.day ?? first.day
  const count = Math.floor(daysBetween(monday, last) / WEEK_DAYS) + 1
  return Array.from({ length: count }, (_, week) =>
    Array.from({ length: WEEK_DAYS }, (_unused, place) => {
      const day = addDays(monday, week * WEEK_DAYS + place)
      return { day, night: props.nights.find((own) => own.day === day) ?? null }
    }),
  )
})
const dayWord = (day: string) => isoDayWords(day).replace(/^\S+ | \d{4}$/g, '')
const WEEKDAYS = computed(
  () => weeks.value[0]?.map(({ day }) => isoDayWords(day).slice(0, 3)) ?? [],
)
/** The evenings that are for something, as a list for a small screen. */
const special = computed(() =>
  props.nights.filter(({ id, bland }) => id !== null || bland !== null),
)
const lineOf = (night: HomeNight) => `${isoDayWords(night.day)}: ${night.bland ?? wordOf(night)}`
const wordOf = (night: HomeNight) =>
  night.id === null ? (night.bland === null ? 'care' : 'only care') : NIGHTS[night.id].name
</script>

<template>
  <table class="nights">
    <caption class="sr">
      What each evening is for
    </caption>
    <thead>
      <tr>
        <th v-for="weekday in WEEKDAYS" :key="weekday" scope="col">{{ weekday }}</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="week in weeks" :key="week[0]?.day">
        <td
          v-for="{ day, night } in week"
          :key="day"
          :class="night?.id ?? (night?.bland ? 'bland' : '')"
        >
          <template v-if="night">
            <span class="figures">{{ dayWord(day) }}</span><br /><b>{{ wordOf(night) }}</b>
            <span v-if="night.bland" class="sr">: {{ night.bland }}</span>
          </template>
        </td>
      </tr>
    </tbody>
  </table>
  <ul class="narrow plainlist">
    <li v-for="night in special" :key="night.day">{{ lineOf(night) }}</li>
  </ul>
</template>

<style scoped>
.nights {
  width: 100%;
  border-collapse: collapse;
  table-layout: fixed;
  font-size: 0.9rem;
}
th {
  text-align: left;
  font-weight: 600;
  padding: 2px 6px;
}
td {
  border: 1px solid var(--line);
  padding: 4px 6px;
  vertical-align: top;
  height: 48px;
  line-height: 1.2;
  overflow-wrap: anywhere;
}
.narrow {
  display: none;
}
@media screen and (max-width: 560px) {
  .nights {
    display: none;
  }
  .narrow {
    display: block;
  }
}
td b {
  font-weight: 500;
  color: var(--ink-soft);
}
td.retinoid b,
td.acid b,
td.scrub b,
td.clearingMask b,
td.waterMask b {
  font-weight: 700;
  color: var(--ink);
}
.retinoid {
  background: var(--clay-pale);
}
.acid,
.scrub,
.clearingMask {
  background: var(--amber-pale);
}
.waterMask {
  background: var(--basin-mist);
}
</style>
