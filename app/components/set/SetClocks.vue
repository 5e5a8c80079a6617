<script setup lang="ts">
import { fromMilliseconds } from '#core/units'
import type { VisitBundle } from '#core/visit/bundle'
import { clock, dayWords, spanWords } from '~/composables/dates'

/** Two clocks, now and the client, and how far the laying out is. */
const props = defineProps<{
  visit: VisitBundle['visit']
  now: number
  zone: string
  far: { done: number; all: number; ready: boolean } | null
}>()
const dueIn = computed(() => {
  const { startsAt, status } = props.visit
  if (status !== 'booked') return ''
  const minutes = Math.round(fromMilliseconds(startsAt - props.now))
  const day = dayWords(startsAt, props.zone)
  if (day !== dayWords(props.now, props.zone)) return day
  if (minutes === 0) return 'now'
  return minutes > 0 ? `in ${spanWords(minutes)}` : `${spanWords(-minutes)} ago`
})
</script>

<template>
  <section class="panel clocks">
    <div>
      <span class="big figures serif">{{ clock(now, zone) }}</span><br /><span class="soft"
        >now</span
      >
    </div>
    <div v-if="dueIn">
      <span class="big figures serif">{{ clock(visit.startsAt, zone) }}</span><br /><span
        class="soft"
        >client, {{ dueIn }}</span
      >
    </div>
    <p v-if="far" role="status" class="tag" :class="far.ready ? 'good' : 'watch'">
      {{ far.ready ? 'Ready: the client can come in' : `${far.done} of ${far.all} done` }}
    </p>
  </section>
</template>

<style scoped>
.clocks {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px;
}
.clocks .tag {
  grid-column: 1 / -1;
}
.big {
  font-size: 1.6rem;
}
</style>
