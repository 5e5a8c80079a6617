<script setup lang="ts">
import { endsWithDay } from '#core/aftercare/card'
import type { AftercareOnRecord } from '#core/visit/record'
import type { VisitBundle } from '#core/visit/bundle'
import { dayAndClock, dayWords } from '~/composables/dates'

/** What the client does at home and until when: one page to take along. */
const props = defineProps<{ bundle: VisitBundle; lines: readonly AftercareOnRecord[] }>()
const ended = computed(() =>
  Math.max(props.bundle.visit.at, ...props.bundle.events.map((event) => event.at)),
)
const untilWords = (until: string) => {
  const at = Date.parse(until)
  const { timeZone } = props.bundle.practice
  return endsWithDay(at, ended.value) ? dayWords(at, timeZone) : dayAndClock(at, timeZone)
}
</script>

<template>
  <article class="panel sheet aftercare">
    <h2>At home, and until when</h2>
    <p class="soft onlyprint">
      {{ bundle.client.name }} · {{ bundle.practice.name }}, {{ bundle.practice.phone }}
    </p>
    <ul class="plainlist">
      <li v-for="line in lines" :key="line.rule" class="care">
        <b>{{ line.sentence }}</b>
        <span class="figures until">until {{ untilWords(line.until) }}</span>
        <span class="soft">{{ line.why }}</span>
      </li>
    </ul>
    <p>
      Burning, swelling, blisters, or redness that grows: cool water, nothing on it, call
      {{ bundle.practice.phone || 'us' }}. Trouble breathing: {{ bundle.practice.emergency }}.
    </p>
    <p v-if="bundle.practice.cardText">{{ bundle.practice.cardText }}</p>
  </article>
</template>

<style scoped>
.care {
  display: flex;
  flex-direction: column;
  padding: 7px 0;
  border-bottom: 1px solid var(--line);
}
.until {
  color: var(--basin);
  font-weight: 650;
}
.onlyprint {
  display: none;
}
@media print {
  .onlyprint {
    display: block;
  }
}
</style>
