<script setup lang="ts">
import { zonesOf } from '#core/face/regions'
import { ZONE_IDS, ZONES, type ZoneId } from '#core/face/zones'
import {
  changesReading,
  GRADES,
  GRADE_WORDS,
  READING_NAMES,
  SECOND_READING_IDS,
  type AnyReadingId,
  type Grade,
  type Readings,
} from '#core/skin/readings'
import { minutesLeft } from '#core/treatment/order/pace'
import { currentReadings } from '#core/visit/today'
import { gradeColour } from '~/composables/grades'
import { useRoom } from '~/stores/room'
import { useVisit } from '~/stores/visit'

/** The second reading, on bare skin: only what differs from the first is tapped. */
defineProps<{ fromHead: boolean }>()
const emit = defineEmits<{ close: []; done: [] }>()
const visit = useVisit()
const room = useRoom()
const what = ref<AnyReadingId>('redness')
const grade = ref<Grade>(2)
const zones = ref<Readings>({})
const first = computed(() => (visit.bundle ? currentReadings(visit.bundle) : {}))
const value = (zone: ZoneId) => zones.value[zone]?.[what.value] ?? first.value[zone]?.[what.value]

function paint(zone: ZoneId, to: Grade = grade.value) {
  const [region] = ZONES[zone].regions
  const next = { ...zones.value }
  for (const own of region ? zonesOf(region) : [zone])
    next[own] = { ...next[own], [what.value]: to }
  zones.value = next
}
const fill = computed(() =>
  Object.fromEntries(
    ZONE_IDS.flatMap((zone) => {
      const seen = value(zone)
      return seen === undefined ? [] : [[zone, gradeColour(what.value, seen)]]
    }),
  ),
)
const changed = computed(() => changesReading(first.value, zones.value))
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
</script>

<template>
  <RoomScreen label="Second reading" @close="emit('close')">
    <template #face>
      <FaceDrawing
        :fill="fill"
        :from-head="fromHead"
        dark
        pick
        label="Tap what differs from the first reading"
        @zone="(zone) => paint(zone)"
        @sweep="(zone) => paint(zone)"
        @grade="(zone, to) => paint(zone, to as Grade)"
      />
    </template>
    <h2>Bare skin: what differs?</h2>
    <div class="row" role="group" aria-label="What">
      <RoomButton
        v-for="reading in SECOND_READING_IDS"
        :key="reading"
        :tone="what === reading ? 'go' : 'key'"
        :aria-pressed="what === reading"
        @click="what = reading"
        >{{ READING_NAMES[reading] }}</RoomButton
      >
    </div>
    <div class="row" role="group" aria-label="Grade">
      <RoomButton
        v-for="own in GRADES"
        :key="own"
        :tone="grade === own ? 'go' : 'key'"
        :aria-pressed="grade === own"
        @click="grade = own"
        ><b>{{ own }}</b> {{ GRADE_WORDS[what][own] }}</RoomButton
      >
    </div>
    <p class="dim">
      Tap each region that differs from the reading under make-up. The plan then offers changes.
    </p>
    <div class="row">
      <RoomButton tone="go" data-next :disabled="busy" @click="keep">
        {{ changed ? 'Save, see what changes' : 'As read, go on' }}
      </RoomButton>
      <RoomButton @click="emit('close')">Not yet</RoomButton>
    </div>
  </RoomScreen>
</template>

<style scoped>
.dim {
  color: var(--candle-dim);
}
</style>
