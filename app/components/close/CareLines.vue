<script setup lang="ts">
import { endsWithDay, SAYS_WHEN } from '#core/aftercare/card'
import { dayAndClock, dayWords } from '~/composables/dates'

/** What is asked of the client, each line with its true end. */
const props = defineProps<{
  lines: readonly { rule: string; sentence: string; why: string; until: number }[]
  /** End of the visit, milliseconds since 1970. */ ended: number
  zone: string
}>()
const untilWords = (until: number) =>
  endsWithDay(until, props.ended) ? dayWords(until, props.zone) : dayAndClock(until, props.zone)
</script>

<template>
  <ul class="plainlist">
    <li v-for="line in lines" :key="line.rule" class="care">
      <b>{{ line.sentence }}</b>
      <span v-if="!SAYS_WHEN.has(line.rule)" class="figures until"
        >until {{ untilWords(line.until) }}</span
      >
      <span class="soft">{{ line.why }}</span>
    </li>
  </ul>
</template>

<style scoped>
.care {
  display: flex;
  flex-direction: column;
  padding: 7px 0;
  border-bottom: 1px solid var(--line);
}
@media print {
  .care {
    padding: 3px 0;
  }
}
.until {
  color: var(--basin);
  font-weight: 650;
}
</style>
