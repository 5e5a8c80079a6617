<script setup lang="ts">
import type { Earliest } from '#core/screening/verdict/earliest'
import { isoDayWords } from '~/composables/dates'

/** What waits, and from which day it may be done again: one line for each day and cause. */
const props = defineProps<{ waits: readonly Earliest[] }>()
const lines = computed(() => {
  const byCause = new Map<string, Earliest[]>()
  for (const wait of props.waits) {
    const key = `${wait.day}${wait.because}${wait.where}`
    byCause.set(key, [...(byCause.get(key) ?? []), wait])
  }
  return [...byCause].flatMap(([key, list]) => {
    const [first] = list
    return first
      ? [
          {
            key,
            what: list.map((wait) => wait.name).join(', '),
            day: isoDayWords(first.day),
            because: first.where ? `${first.because}; ${first.where}` : first.because,
          },
        ]
      : []
  })
})
</script>

<template>
  <ul class="plainlist waits">
    <li v-for="line in lines" :key="line.key" :title="line.because">
      <span
        >{{ line.what }}<span class="soft why">{{ line.because }}</span></span
      >
      <b class="figures">{{ line.day }}</b>
    </li>
  </ul>
</template>

<style scoped>
.waits li {
  display: flex;
  justify-content: space-between;
  gap: 12px;
  padding: 4px 0;
}
.waits b {
  white-space: nowrap;
}
.why {
  display: block;
  font-size: 0.8125rem;
}
</style>
