<script setup lang="ts">
import { ZONES, type ZoneId } from '#core/face/zones'
import type { WholeReading } from '#core/skin/notes'
import { baselineOf, SWEEP_WORDS, SWEPT_ZONES, sweepTrend } from '#core/skin/poreSweep'
import { GRADES, type Grade } from '#core/skin/readings'
import type { VisitBundle } from '#core/visit/bundle'
import { dayInWords } from '#core/screening/asking/days'

/** One fingertip across the same spot, as lightly each time: how much the pores catch it. */
const props = defineProps<{ whole: WholeReading; bundle: VisitBundle; disabled: boolean }>()
const emit = defineEmits<{ change: [patch: Partial<WholeReading>] }>()
const baseline = computed(() => baselineOf(props.whole, props.bundle.previousReading))
const zone = ref<ZoneId>(props.whole.poreSweep?.zone ?? baseline.value?.zone ?? 'nose')
const words = computed(() =>
  props.whole.poreSweep ? sweepTrend(props.whole.poreSweep, baseline.value, dayInWords) : '',
)
const known = computed(() => {
  const { poreSweep } = props.whole
  return poreSweep
    ? `${ZONES[poreSweep.zone].name}: ${SWEEP_WORDS[poreSweep.grade]}`
    : 'same spot, same light finger'
})
const sweep = (grade: Grade | null) =>
  emit('change', {
    poreSweep: grade === null ? undefined : { zone: zone.value, grade },
    ...(baseline.value ? { sweepBaseline: baseline.value } : {}),
  })
function move(to: ZoneId) {
  zone.value = to
  const grade = props.whole.poreSweep?.grade
  if (grade !== undefined) sweep(grade)
}
</script>

<template>
  <details class="panel">
    <summary>
      <b>Pore sweep</b>{{ ' ' }}
      <span class="soft">{{ known }}</span>
    </summary>
    <div class="stack mt-2">
      <VSelect
        :model-value="zone"
        :items="SWEPT_ZONES.map((id) => ({ value: id, title: ZONES[id].name }))"
        label="Spot"
        density="compact"
        hide-details
        :disabled="disabled"
        @update:model-value="(to: ZoneId) => move(to)"
      />
      <VSelect
        :model-value="whole.poreSweep?.grade ?? null"
        :items="GRADES.map((grade) => ({ value: grade, title: `${grade} ${SWEEP_WORDS[grade]}` }))"
        label="The fingertip"
        density="compact"
        hide-details
        clearable
        :disabled="disabled"
        @update:model-value="(grade: Grade | null) => sweep(grade)"
      />
      <p v-if="words" role="status">{{ words }}</p>
    </div>
  </details>
</template>

<style scoped>
p {
  margin: 0;
}
</style>
