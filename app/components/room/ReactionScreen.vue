<script setup lang="ts">
import {
  SENSATION_SCALE,
  SENSATION_WORDS,
  SIGN_IDS,
  SIGN_NAMES,
  type SignId,
} from '#core/catalogue/rules/stopRules'
import { REGION_NAMES, zonesOf } from '#core/face/regions'
import { ZONES, type RegionId, type ZoneId } from '#core/face/zones'
import { GRADES, GRADE_WORDS, type Grade } from '#core/skin/readings'
import { useRoom } from '~/stores/room'
import { FACE_COLOURS } from '~/theme/colours'

/** What was seen or said: where, how red, how it feels; one tap each. */
const props = defineProps<{ stepKey: string; fromHead: boolean }>()
const emit = defineEmits<{ close: [] }>()
const room = useRoom()
const region = ref<RegionId | null>(null)
const fill = computed(() => {
  const zones = region.value ? zonesOf(region.value) : []
  return Object.fromEntries(zones.map((zone) => [zone, FACE_COLOURS.reaction]))
})
const pick = (zone: ZoneId) => {
  region.value = ZONES[zone].regions[0] ?? null
}
const where = computed(() =>
  region.value ? `On the ${REGION_NAMES[region.value]}` : 'Where? Tap the face',
)
const baseline = computed(() => {
  if (!region.value) return 'choose the zone first'
  return `baseline ${room.context?.baseline[region.value] ?? 'not read'}`
})
const MOST = Math.max(...SENSATION_SCALE.map(({ to }) => to))
const sensations = Array.from({ length: MOST + 1 }, (_, grade) => grade)
const last = computed(() => room.state?.reactions[room.state.reactions.length - 1]?.judgement)

function redness(grade: Grade) {
  if (region.value)
    void room.tap({ kind: 'redness', region: region.value, grade, key: props.stepKey })
}
const sensation = (grade: number) =>
  room.tap({ kind: 'sensation', grade, region: region.value, key: props.stepKey })
const sign = (seen: SignId) =>
  room.tap({ kind: 'sign', sign: seen, region: region.value, key: props.stepKey })
</script>

<template>
  <RoomScreen label="Reaction" @close="emit('close')">
    <template #face>
      <FaceDrawing :fill="fill" :from-head="fromHead" dark pick label="Where is it?" @zone="pick" />
    </template>
    <div class="between">
      <h2>{{ where }}</h2>
      <RoomButton @click="emit('close')">Close</RoomButton>
    </div>
    <h3>
      Redness <span class="dim">{{ baseline }}</span>
    </h3>
    <div class="row">
      <RoomButton v-for="grade in GRADES" :key="grade" :disabled="!region" @click="redness(grade)">
        <b>{{ grade }}</b> {{ GRADE_WORDS.redness[grade] }}
      </RoomButton>
    </div>
    <h3>
      Sensation <span class="dim">{{ SENSATION_WORDS }}</span>
    </h3>
    <div class="row tight">
      <RoomButton
        v-for="grade in sensations"
        :key="grade"
        square
        :aria-label="`Sensation ${grade}`"
        @click="sensation(grade)"
        >{{ grade }}</RoomButton
      >
    </div>
    <h3>Signs that stop at once</h3>
    <div class="row">
      <RoomButton v-for="seen in SIGN_IDS" :key="seen" tone="warn" @click="sign(seen)">
        {{ SIGN_NAMES[seen] }}
      </RoomButton>
    </div>
    <RednessCourse />
    <p v-if="last" class="said" role="status">
      {{ last.text }} <span class="dim">{{ last.rule.sentence }}</span>
    </p>
  </RoomScreen>
</template>

<style scoped>
.tight {
  gap: 8px;
}
.dim {
  color: var(--candle-dim);
  font-size: 1rem;
  font-family: var(--sans);
  font-weight: 400;
}
.said {
  background: var(--ember);
  border-left: 5px solid var(--glow);
  padding: 12px;
  font-size: 1.15rem;
}
</style>
