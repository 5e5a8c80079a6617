<script setup lang="ts">
import { ABSORBED_FIRST } from '#core/catalogue/rules/room'
import {
  ABSORBED_GRADES,
  ABSORBED_WORDS,
  type AbsorbedGrade,
} from '#core/catalogue/products/watering'
import type { PlanStep } from '#core/catalogue/techniques/step'
import { shortName } from '#core/catalogue/techniques/traits'
import { zonesOf } from '#core/face/regions'
import { ZONE_IDS, ZONES, type ZoneId } from '#core/face/zones'
import { gradeColour } from '~/composables/grades'
import { useRoom } from '~/stores/room'

/** How each zone took what watered it: a tap on a zone, the strength chosen once. */
const props = defineProps<{ step: PlanStep; fromHead: boolean }>()
const emit = defineEmits<{ close: [] }>()
const room = useRoom()
const grade = ref<AbsorbedGrade>(ABSORBED_FIRST)
const tapped = computed(() => room.state?.absorbed[props.step.key] ?? {})
const zones = computed(() => props.step.regions.flatMap((region) => zonesOf(region)))
const regionOf = (zone: ZoneId) =>
  ZONES[zone].regions.find((own) => props.step.regions.includes(own))
function drank(zone: ZoneId, to: AbsorbedGrade = grade.value) {
  const region = regionOf(zone)
  if (region && tapped.value[region] !== to)
    void room.tap({ kind: 'absorbed', key: props.step.key, region, grade: to })
}
const fill = computed(() =>
  Object.fromEntries(
    ZONE_IDS.filter((zone) => zones.value.includes(zone)).flatMap((zone) => {
      const region = regionOf(zone)
      const seen = region && tapped.value[region]
      return seen === undefined ? [] : [[zone, gradeColour('redness', seen)]]
    }),
  ),
)
const again = computed(() => (Object.keys(tapped.value).length > 0 ? 'Save, go on' : 'Go on'))
</script>

<template>
  <RoomScreen label="Where was it absorbed" @close="emit('close')">
    <template #face>
      <FaceDrawing
        :fill="fill"
        :from-head="fromHead"
        dark
        pick
        label="Tap the zones that absorbed it"
        @zone="(zone) => drank(zone)"
        @sweep="(zone) => drank(zone)"
      />
    </template>
    <h2>Where was it absorbed?</h2>
    <p class="dim">{{ shortName(step) }}: how it was taken up, zone by zone.</p>
    <div class="row" role="group" aria-label="How it was taken up">
      <RoomButton
        v-for="own in ABSORBED_GRADES"
        :key="own"
        :tone="grade === own ? 'go' : 'key'"
        :aria-pressed="grade === own"
        @click="grade = own"
        ><b>{{ own }}</b> {{ ABSORBED_WORDS[own] }}</RoomButton
      >
    </div>
    <p class="dim">
      A thirsty zone takes a second layer of serum and cream today; the next plan knows it.
    </p>
    <div class="row">
      <RoomButton tone="go" @click="emit('close')">{{ again }}</RoomButton>
    </div>
  </RoomScreen>
</template>

<style scoped>
.dim {
  color: var(--candle-dim);
}
</style>
