<script setup lang="ts">
import { removalOf } from '#core/timing/removal'
import { TECHNIQUES } from '#core/catalogue/techniques/techniques'
import { shortName } from '#core/catalogue/techniques/traits'
import { layNext, layWords, stillToLay } from '#core/treatment/order/layNext'
import { offNext } from '#core/treatment/order/offNext'
import { SECOND_MS, toMilliseconds } from '#core/units'
import { elapsed } from '~/composables/dates'
import { useRoom } from '~/stores/room'

/** What comes off next, and by when to begin so that everything comes off in time. */
const room = useRoom()
/** What is reckoned from now on changes by the second, and not with every tick of the clocks. */
const second = computed(() => Math.floor(room.now / SECOND_MS) * SECOND_MS)
const next = computed(() => room.state && offNext(room.state, room.everyStep, second.value))
const nameOf = (key: string) => {
  const step = room.everyStep.find((own) => own.key === key)
  return step ? shortName(step) : key
}
/** How what is still to go on fits in with what rests. */
const lay = computed(() => {
  if (!room.state || !room.context) return ''
  const { dwellOf } = room.context
  const own = layNext(room.state, room.steps, room.everyStep, dwellOf, second.value)
  return own ? layWords(own, nameOf, stillToLay(room.state, room.steps)[0]?.key) : ''
})
const names = computed(() => (next.value?.order ?? []).map(({ id }) => nameOf(id)))
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
    <br v-if="lay" /><span v-if="lay" class="figures">{{ lay }}</span>
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
