<script setup lang="ts">
import type { ForecastLine } from '#core/aftercare/forecast'
import { nameRegions } from '#core/face/regions'
import { dayAndClock, dayWords } from '~/composables/dates'
import { DAY_MS } from '#core/units'

/** What may come, from when until when, and what to do about it. */
const props = defineProps<{ lines: readonly ForecastLine[]; zone: string }>()
const span = ({ from, until }: ForecastLine) =>
  until - from < DAY_MS
    ? `until ${dayAndClock(until, props.zone)}`
    : `${dayWords(from, props.zone)} to ${dayWords(until, props.zone)}`
</script>

<template>
  <section v-if="lines.length">
    <h3>What may come</h3>
    <ul class="plainlist">
      <li v-for="line in lines" :key="line.rule" class="line">
        <b>{{ line.sentence }}</b>
        <span class="figures soft">{{ span(line) }} · {{ nameRegions(line.regions) }}</span>
        <span>{{ line.advice }}</span>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.line {
  display: flex;
  flex-direction: column;
  padding: 5px 0;
}
</style>
