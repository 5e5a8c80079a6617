<script setup lang="ts">
import { PAD_GRADES, PAD_WORDS, WORST_PAD } from '#core/catalogue/rules/pads'
import { UNASKED_MAKE_UP } from '#core/catalogue/consultation/makeUp'
import { techniqueOf } from '#core/catalogue/techniques/ownWay'
import type { PlanStep } from '#core/catalogue/techniques/step'
import { cleanEnough, usualPads } from '#core/treatment/step/cleanEnough'
import { missedZones, unevenSides, zoneCountOf } from '#core/treatment/step/counting'
import { readWater, waterWords } from '#core/treatment/step/water'
import { waterExpected } from '#core/visit/waterExpected'
import { useRoom } from '~/stores/room'
import { useVisit } from '~/stores/visit'

/** What is counted in this step: pads graded, water added, or so many on each zone of the face. */
const props = defineProps<{ step: PlanStep }>()
const emit = defineEmits<{ cleanse: [] }>()
const room = useRoom()
const visit = useVisit()
const what = computed(() => {
  const { counter } = techniqueOf(props.step)
  return counter === 'none' ? '' : counter.what
})
/** Pads of the same step last time, and what was worn then. */
const last = computed(() => {
  const { times = [], makeUp = [] } = visit.bundle?.lastTime ?? {}
  const pads = times.find((own) => own.technique === props.step.technique)?.pads
  return pads === undefined ? undefined : { pads, worn: makeUp ?? UNASKED_MAKE_UP }
})
const worn = computed(() => visit.bundle?.visit.makeUp ?? UNASKED_MAKE_UP)
const pads = computed(() => room.state?.pads[props.step.key] ?? [])
const usual = computed(() => usualPads(props.step, worn.value, last.value))
const enough = computed(() => cleanEnough(pads.value, usual.value, techniqueOf(props.step)))
/** What the last pad means, or what the numbers stand for. */
const padWords = computed(
  () => enough.value?.say ?? `pad: 0 ${PAD_WORDS[0]} to ${WORST_PAD} ${PAD_WORDS[WORST_PAD]}`,
)
const additions = computed(() => room.state?.counts[props.step.key] ?? 0)
const forecast = computed(() => visit.bundle && waterExpected(visit.bundle))
/** More than expected can be said at once; fewer only once no more is added, when it is over. */
const water = computed(() => {
  if (!forecast.value) return ''
  const { reads, say } = readWater(additions.value, forecast.value)
  return reads === 'more' ? say : ''
})
const zones = computed(() => (room.state ? zoneCountOf(room.state, props.step) : undefined))
const behind = computed(() => {
  if (!zones.value) return ''
  return [...unevenSides(zones.value), missedZones(zones.value)].filter(Boolean).join('; ')
})
const add = (by: 1 | -1) => room.tap({ kind: 'counted', key: props.step.key, region: null, by })
</script>

<template>
  <div v-if="what === 'pad'" class="row" role="group" aria-label="The pad">
    <RoomButton
      v-for="grade in PAD_GRADES"
      :key="grade"
      square
      :aria-label="`Pad ${grade}, ${PAD_WORDS[grade]}`"
      @click="room.tap({ kind: 'padGraded', key: step.key, grade })"
    >
      {{ grade }}
    </RoomButton>
    <span :class="enough ? 'said' : 'dim'" role="status">{{ padWords }}</span>
    <RoomButton v-if="enough?.act === 'addCleanse'" tone="go" @click="emit('cleanse')">
      Add a cleanse
    </RoomButton>
  </div>
  <div v-if="what === 'water'" class="row">
    <RoomButton tone="go" class="plus" aria-label="Water added once more" @click="add(1)">
      +1 water
    </RoomButton>
    <b class="serif figures count" role="status">{{ additions }}</b>
    <span v-if="forecast" class="dim">expected {{ waterWords(forecast) }}. {{ water }}</span>
    <RoomButton v-if="additions" square aria-label="One less" @click="add(-1)">−</RoomButton>
  </div>
  <p v-if="zones && behind" role="status">
    <b class="behind">{{ behind }}</b>
  </p>
</template>

<style scoped>
.dim {
  color: var(--candle-dim);
}
.said,
.behind {
  color: var(--glow);
  font-weight: 650;
}
.plus {
  min-width: 150px;
  font-size: 1.4rem;
}
.count {
  font-size: 2.2rem;
}
</style>
