<script setup lang="ts">
import type { VisitRead } from '#contracts/replies/visitFile'
import type { StepRow } from '~/components/close/StepTable.vue'
import { dayAndClock } from '~/composables/dates'

/** One visit as a file tells it: read, not changed. */
const props = defineProps<{ visit: VisitRead; zone: string; open?: boolean }>()
const head = computed(() => {
  const { at, house, therapist, room } = props.visit
  const when = at === null ? 'no day' : dayAndClock(at, props.zone)
  return [when, house, therapist, room].filter(Boolean).join(' · ')
})
const seal = computed(() => {
  const { ours, holds, why } = props.visit.seal
  if (ours) return { tone: 'good', text: 'our own record, unchanged' }
  return holds
    ? { tone: 'good', text: 'as it was sealed' }
    : { tone: 'stop', text: `changed since it was sealed. ${why}` }
})
const took = computed(() => {
  const { plannedMinutes, actualMinutes } = props.visit
  return `Planned ${plannedMinutes ?? '–'} min, took ${actualMinutes ?? '–'} min`
})
const rows = computed(() =>
  props.visit.lines.map((line, place): StepRow => {
    const { name, zones, plannedMinutes: planned, actualMinutes: took, products } = line
    return {
      key: String(place),
      name,
      seen: [],
      zones,
      planned,
      took,
      products,
      different: line.deviation,
    }
  }),
)
const amended = computed(() =>
  props.visit.amendments.map(({ at, by, reason, before, after }, place) => {
    const who = [at === null ? '' : dayAndClock(at, props.zone), by].filter(Boolean).join(', ')
    return { key: String(place), said: `${who}: ${reason}`, before, after }
  }),
)
const lists = computed(() => {
  const { reactions, contraActions, answers, medicines, notes } = props.visit
  const rows: readonly (readonly [string, readonly string[]])[] = [
    ['Reactions', reactions],
    ['Contra-action', contraActions],
    ['Said yes to, or unsure', answers],
    ['Medicines', medicines ? [medicines] : []],
    ['Notes', notes ? [notes] : []],
  ]
  return rows.filter(([, lines]) => lines.length > 0)
})
</script>

<template>
  <details class="panel" :open="open">
    <summary>
      <b>{{ head }}</b>
      <span class="tag" :class="seal.tone">{{ seal.text }}</span>
    </summary>
    <div class="stack body">
      <p v-if="visit.stopped" class="tag stop">Stopped: {{ visit.stopped }}</p>
      <p class="figures">{{ took }}</p>
      <StepTable v-if="rows.length" :rows="rows" />
      <p v-else>The file says nothing of steps.</p>
      <div v-for="[title, lines] in lists" :key="title">
        <h3>{{ title }}</h3>
        <p v-for="line in lines" :key="line" class="prewrap">{{ line }}</p>
      </div>
      <div>
        <h3>Skin, before and bare</h3>
        <ReadingsTable :made-up="visit.readings.madeUp" :bare="visit.readings.bare" />
      </div>
      <div v-if="visit.sentHome.length">
        <h3>Sent home</h3>
        <p v-for="line in visit.sentHome" :key="line.sentence">{{ line.sentence }}</p>
      </div>
      <AmendmentList v-if="amended.length" :amendments="amended" />
      <p v-if="visit.unread.length" class="tag watch">
        In the file, and not shown here: {{ visit.unread.join(', ') }}.
      </p>
    </div>
  </details>
</template>

<style scoped>
summary {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 14px;
  align-items: center;
  min-height: 44px;
  cursor: pointer;
}
.body {
  margin-top: 10px;
}
.tag {
  white-space: normal;
}
</style>
