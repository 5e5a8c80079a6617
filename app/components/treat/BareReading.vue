<script setup lang="ts">
import { zonesOf } from '#core/face/regions'
import { ZONES, type ZoneId } from '#core/face/zones'
import { currentReadings } from '#core/visit/planInput'
import {
  GRADES,
  GRADE_WORDS,
  READING_NAMES,
  type AnyReadingId,
  type Grade,
  type Readings,
} from '#core/skin/readings'
import { minutesLeft } from '#core/treatment/pace'
import { gradeColour } from '~/composables/grades'
import { useRoom } from '~/stores/room'
import { useVisit } from '~/stores/visit'

defineProps<{ fromHead: boolean }>()
const emit = defineEmits<{ close: []; done: [] }>()
const visit = useVisit()
const room = useRoom()
const WHAT: readonly AnyReadingId[] = [
  'redness',
  'sensitivity',
  'water',
  'oil',
  'congestion',
  'vessels',
  'spots',
]
const what = ref<AnyReadingId>('redness')
const grade = ref<Grade>(2)
const zones = ref<Readings>({})
const all = computed(() => ({ ...(visit.bundle ? currentReadings(visit.bundle) : {}) }))
const value = (z: ZoneId) => zones.value[z]?.[what.value] ?? all.value[z]?.[what.value]
const paint = (z: ZoneId, g: Grade = grade.value) => {
  const region = ZONES[z].regions[0]
  for (const x of region ? zonesOf(region) : [z])
    zones.value = { ...zones.value, [x]: { ...zones.value[x], [what.value]: g } }
}
const fill = computed(() =>
  Object.fromEntries(
    Object.keys(ZONES).flatMap((z) => {
      const v = value(z as ZoneId)
      return v === undefined ? [] : [[z, gradeColour(what.value, v)]]
    }),
  ),
)
const changed = computed(() =>
  Object.entries(zones.value).some(([z, r]) =>
    Object.entries(r ?? {}).some(([k, v]) => all.value[z as ZoneId]?.[k as AnyReadingId] !== v),
  ),
)
const busy = ref(false)
async function keep() {
  busy.value = true
  const had = changed.value
  await room.secondReading(zones.value)
  emit('done')
  if (had && visit.bundle && room.state)
    await room.replan('second reading', minutesLeft(room.state, visit.bundle.visit, room.now))
  busy.value = false
}
const box = ref<HTMLElement | null>(null)
onMounted(() => box.value?.focus())
</script>

<template>
  <div
    ref="box"
    class="bare"
    role="dialog"
    aria-modal="true"
    aria-label="Second reading"
    tabindex="-1"
  >
    <div class="face">
      <FaceDrawing
        :fill="fill"
        :from-head="fromHead"
        dark
        pick
        label="Tap what differs from the first reading"
        @zone="(z) => paint(z)"
        @sweep="(z) => paint(z)"
        @grade="(z, g) => paint(z, g as Grade)"
      />
    </div>
    <div class="body">
      <h2>Bare skin: what differs?</h2>
      <div class="row" role="group" aria-label="What">
        <button
          v-for="w in WHAT"
          :key="w"
          type="button"
          class="k"
          :class="{ on: what === w }"
          :aria-pressed="what === w"
          @click="what = w"
        >
          {{ READING_NAMES[w] }}
        </button>
      </div>
      <div class="row" role="group" aria-label="Grade">
        <button
          v-for="g in GRADES"
          :key="g"
          type="button"
          class="k"
          :class="{ on: grade === g }"
          :aria-pressed="grade === g"
          @click="grade = g"
        >
          <b>{{ g }}</b> {{ GRADE_WORDS[what][g] }}
        </button>
      </div>
      <p class="dim">
        Tap each region that is not as read under make-up. The plan offers its changes then.
      </p>
      <div class="row">
        <button type="button" class="k go" :disabled="busy" @click="keep">
          {{ changed ? 'Keep, see what changes' : 'As read, go on' }}</button><button
          type="button"
          class="k"
          @click="emit('close')"
        >
          Not yet
        </button>
      </div>
    </div>
  </div>
</template>

<style scoped>
.bare {
  position: fixed;
  inset: 0;
  background: #14100c;
  z-index: 30;
  display: grid;
  grid-template-columns: 360px 1fr;
  gap: 30px;
  padding: 24px 34px;
  color: #f8ebd6;
  overflow-y: auto;
}
.face {
  height: min(640px, 84vh);
}
.body {
  display: flex;
  flex-direction: column;
  gap: 18px;
  justify-content: center;
}
h2 {
  font-size: 2rem;
  margin: 0;
}
p {
  margin: 0;
}
.k {
  min-height: 64px;
  padding: 0 20px;
  border-radius: 14px;
  border: 1.5px solid #6e5b43;
  background: #241c15;
  color: #f8ebd6;
  font: inherit;
  font-size: 1.0625rem;
  cursor: pointer;
}
.on {
  background: #4a3b28;
  border-color: #f0c274;
}
.go {
  background: #1f5c58;
  border-color: #3b8a85;
  font-weight: 650;
}
.dim {
  color: #c3ac8b;
}
@media (max-width: 820px) {
  .bare {
    grid-template-columns: 1fr;
  }
  .face {
    height: 340px;
  }
}
</style>
