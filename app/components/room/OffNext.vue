<script setup lang="ts">
import { removalOf } from '#core/timing/removal'
import { TECHNIQUES } from '#core/catalogue/techniques/techniques'
import { shortName } from '#core/catalogue/techniques/traits'
import { offNext } from '#core/treatment/offNext'
import { toMilliseconds } from '#core/units'
import { elapsed } from '~/composables/dates'
import { useRoom } from '~/stores/room'

/** What comes off next, and by when to begin so that everything comes off in time. */
const room = useRoom()
const next = computed(() => room.state && offNext(room.state, room.everyStep, room.now))
const names = computed(() =>
  (next.value?.order ?? []).map(({ id }) => {
    const step = room.everyStep.find(({ key }) => key === id)
    return step ? shortName(step.technique) : id
  }),
)
const first = computed(() => {
  const id = next.value?.order[0]?.id
  return room.everyStep.find(({ key }) => key === id)
})
const how = computed(() =>
  first.value ? TECHNIQUES[removalOf(first.value.technique)].name.toLowerCase() : '',
)
const begin = computed(() => next.value?.order[0]?.begin ?? 0)
const words = computed(() => {
  if (!next.value) return ''
  if (begin.value <= 0)
    return next.value.beginBy <= 0 ? 'begin now' : `by ${until(next.value.beginBy)}`
  return `may begin in ${until(begin.value)}, by ${until(next.value.beginBy)}`
})
const until = (minutes: number) => elapsed(Math.max(0, toMilliseconds(minutes)))
</script>

<template>
  <p v-if="next && names.length" class="next">
    <b>{{ names[0] }} comes off next</b>: {{ how }}, <span class="figures">{{ words }}</span>
    <template v-if="names.length > 1">; then {{ names.slice(1).join(', ') }}</template>
    <b v-if="next.late > 0" class="late"> · not all can come off in time</b>
  </p>
</template>

<style scoped>
.next {
  width: 100%;
  color: var(--candle);
}
.late {
  color: var(--glow);
}
</style>
