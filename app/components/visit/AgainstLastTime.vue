<script setup lang="ts">
import { ZONES } from '#core/face/zones'
import { changedReadings, movedZones, READING_NAMES, type Readings } from '#core/skin/readings'
import type { VisitBundle } from '#core/visit/bundle'
import { dayWords } from '~/composables/dates'

/** What has changed since the last reading, and since the first. */
const props = defineProps<{ bundle: VisitBundle; zones: Readings; anyRead: boolean }>()
const SHOWN = 9
const day = (at: number) => dayWords(at, props.bundle.practice.timeZone)
const changes = computed(() => {
  const last = props.bundle.previousReading
  return last ? changedReadings(last.zones, props.zones) : []
})
const lines = computed(() =>
  changes.value.slice(0, SHOWN).map(({ zone, reading, before, after }) => ({
    key: zone + reading,
    text: `${ZONES[zone].name}: ${READING_NAMES[reading].toLowerCase()} ${before} → ${after}`,
  })),
)
const more = computed(() => changes.value.length - SHOWN)
const longView = computed(() => {
  const first = props.bundle.baseline
  const moved = first ? movedZones(first.zones, props.zones) : []
  const words = moved.map(
    ({ reading, up, down }) =>
      `${READING_NAMES[reading].toLowerCase()} up in ${up}, down in ${down} zones`,
  )
  return words.join(' · ') || 'No grade has changed.'
})
</script>

<template>
  <div class="panel">
    <h2>Against last time</h2>
    <p v-if="!bundle.previousReading" class="soft">First reading: this is the baseline.</p>
    <template v-else>
      <p class="soft">{{ day(bundle.previousReading.at) }}</p>
      <ul v-if="lines.length" class="plainlist figures">
        <li v-for="line in lines" :key="line.key">{{ line.text }}</li>
        <li v-if="more > 0">and {{ more }} more</li>
      </ul>
      <p v-else-if="!anyRead">Nothing is read yet today.</p>
      <p v-else>No grade has changed.</p>
    </template>
    <template v-if="bundle.baseline && anyRead">
      <p class="soft">Since the first reading, {{ day(bundle.baseline.at) }}</p>
      <p class="figures">{{ longView }}</p>
    </template>
  </div>
</template>
