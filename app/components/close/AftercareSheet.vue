<script setup lang="ts">
import { forecastOfVisit } from '#core/visit/forecast'
import { tonightOf } from '#core/visit/tonight'
import type { AftercareOnRecord } from '#core/visit/record'
import type { VisitBundle } from '#core/visit/bundle'
import { useAfterwards } from '~/composables/afterwards'
import { dayAndClock, fullDay } from '~/composables/dates'

/** What the client does at home and until when: one page to take along. */
const props = defineProps<{
  bundle: VisitBundle
  lines: readonly AftercareOnRecord[]
  /** End of the treatment, an ISO moment; null where it never began. */
  finishedAt: string | null
}>()
const ended = computed(() =>
  props.finishedAt === null ? props.bundle.visit.at : Date.parse(props.finishedAt),
)
const care = computed(() => props.lines.map((line) => ({ ...line, until: Date.parse(line.until) })))
const forecast = computed(() => forecastOfVisit(props.bundle))
const { after } = await useAfterwards()
const written = computed(() => {
  const own = after.value?.routine
  return own?.visitId === props.bundle.visit.id ? own.routine : null
})
const tonight = computed(() => tonightOf(props.bundle, written.value))
const zone = computed(() => props.bundle.practice.timeZone)
</script>

<template>
  <article class="panel sheet aftercare stack">
    <h2>At home, and until when</h2>
    <p class="soft onlyprint">
      {{ bundle.client.name }} · {{ fullDay(bundle.visit.at, zone) }} · {{ bundle.staff.name }},
      {{ bundle.practice.name }}, {{ bundle.practice.phone }}
    </p>
    <CallBox :practice="bundle.practice" />
    <CareLines :lines="care" :ended="ended" :zone="zone" />
    <p><b>Tonight:</b> {{ tonight.evening }}<br /><b>Tomorrow morning:</b> {{ tonight.morning }}</p>
    <ForecastLines :lines="forecast" :zone="zone" />
    <p v-if="bundle.nextBooked">
      <b>Next visit:</b> {{ dayAndClock(bundle.nextBooked.startsAt, zone) }}
    </p>
    <p v-if="bundle.practice.cardText">{{ bundle.practice.cardText }}</p>
  </article>
</template>

<style scoped>
.onlyprint {
  display: none;
}
@media print {
  .onlyprint {
    display: block;
  }
}
</style>
