<script setup lang="ts">
import type { PlanStep } from '#core/catalogue/techniques/step'
import { placeOf } from '#core/catalogue/techniques/traits'
import { zonesOf } from '#core/face/regions'
import { ZONES, type ZoneId } from '#core/face/zones'
import { passesOf, passTrouble, type RestingOnFace } from '#core/treatment/atHand'
import { useRoom } from '~/stores/room'
import { FACE_COLOURS } from '~/theme/colours'

/** The face as it lies under the hands: what is worked, what rests, which pass is done. */
const props = defineProps<{ step: PlanStep; resting: readonly RestingOnFace[] }>()
const emit = defineEmits<{ warn: [text: string] }>()
const fromHead = defineModel<boolean>('fromHead', { required: true })
const room = useRoom()
const passes = computed(() =>
  room.state ? passesOf(room.state, props.step) : { planned: 1, limit: 0, done: {} },
)
const ended = computed(() => room.state?.endedZones[props.step.key] ?? [])
const fill = computed(() => {
  const zones: Partial<Record<ZoneId, string>> = {}
  for (const one of props.resting)
    for (const zone of one.regions.flatMap(zonesOf)) zones[zone] = FACE_COLOURS.resting
  for (const region of props.step.regions)
    for (const zone of zonesOf(region))
      zones[zone] = ended.value.includes(region) ? FACE_COLOURS.ended : FACE_COLOURS.worked
  return zones
})
const marks = computed(() => {
  const { limit, planned, done } = passes.value
  if (limit === 0) return {}
  return Object.fromEntries(
    props.step.regions.flatMap((region) => {
      const [zone] = zonesOf(region)
      return zone ? [[zone, `${done[region] ?? 0}/${planned}`]] : []
    }),
  )
})
const label = computed(() =>
  passes.value.limit > 0
    ? 'Tap a zone when its pass is done'
    : `Zones: ${placeOf(props.step) || 'none'}`,
)
const seen = computed(() => (fromHead.value ? 'seen from the head' : 'seen from the front'))

function tapZone(zone: ZoneId) {
  const [region] = ZONES[zone].regions
  if (!region || passes.value.limit === 0 || !props.step.regions.includes(region)) return
  const trouble = passTrouble(passes.value, region)
  emit('warn', trouble ?? '')
  if (trouble === undefined) void room.tap({ kind: 'passDone', key: props.step.key, region })
}
</script>

<template>
  <div class="head">
    <div class="facebox">
      <FaceDrawing
        :fill="fill"
        :marks="marks"
        :from-head="fromHead"
        dark
        :pick="passes.limit > 0"
        :label="label"
        @zone="tapZone"
      />
    </div>
    <RoomButton tone="quiet" hotkey="T" @click="fromHead = !fromHead">{{ seen }} · turn</RoomButton>
    <p v-if="passes.limit" class="dim">
      Tap each zone when its pass is done. Limit {{ passes.limit }}.
    </p>
  </div>
</template>

<style scoped>
.head {
  padding: 26px 20px 0 0;
  display: flex;
  flex-direction: column;
  align-items: center;
  gap: 8px;
  text-align: center;
}
.facebox {
  height: min(480px, 58vh);
  width: 100%;
}
.dim {
  color: var(--candle-dim);
}
</style>
