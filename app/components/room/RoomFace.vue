<script setup lang="ts">
import { SPOTS } from '#core/catalogue/techniques/residue'
import type { PlanStep } from '#core/catalogue/techniques/step'
import { placeOf } from '#core/catalogue/techniques/traits'
import { mainZonesOf, REGION_NAMES, zonesOf } from '#core/face/regions'
import { allowance } from '#core/planning/today/allowed'
import { ZONES, type RegionId, type ZoneId } from '#core/face/zones'
import type { RestingOnFace } from '#core/treatment/order/atHand'
import { countTrouble, countWords, zoneCountOf } from '#core/treatment/step/counting'
import { spotAt, type Sweep } from '#core/treatment/step/sweep'
import { directionsOf } from '#core/treatment/step/sequence'
import { layColour, noFill } from '~/composables/faceFill'
import { restingColour } from '~/composables/room/restingColours'
import { useRoom } from '~/stores/room'
import { FACE_COLOURS } from '~/theme/colours'

/** The face as it lies under the hands: what is worked and which way, what rests, what is counted. */
const props = defineProps<{
  step: PlanStep
  resting: readonly RestingOnFace[]
  /** Where the residue is looked for with this step. */
  sweep: Sweep
}>()
const emit = defineEmits<{ warn: [text: string] }>()
const fromHead = defineModel<boolean>('fromHead', { required: true })
const room = useRoom()
const count = computed(() => room.state && zoneCountOf(room.state, props.step))
const counts = computed(() => count.value !== null && count.value !== undefined)
const ended = computed(() => room.state?.endedZones[props.step.key] ?? [])
const colours = computed(() => {
  const all = noFill()
  for (const one of props.resting) layColour(all, one, restingColour(room.state, one.key))
  const { regions, half } = props.step
  for (const region of regions) {
    const over = ended.value.includes(region)
    layColour(all, { regions: [region], half }, over ? FACE_COLOURS.ended : FACE_COLOURS.worked)
  }
  return all
})
const marks = computed(() => {
  if (!count.value) return {}
  const { done, least } = count.value
  return Object.fromEntries(
    props.step.regions.flatMap((region) => {
      const { half } = props.step
      const zone = zonesOf(region).find((own) => !half || [half, 'mid'].includes(ZONES[own].side))
      return zone
        ? [[zone, least > 0 ? `${done[region] ?? 0}/${least}` : `${done[region] ?? 0}`]]
        : []
    }),
  )
})
const arrows = computed(() => {
  const directions = directionsOf(props.step)
  const all = props.step.regions.flatMap((region) => {
    const direction = directions[region]
    return direction ? mainZonesOf(region).map((zone) => [zone, direction] as const) : []
  })
  return counts.value ? {} : Object.fromEntries(all)
})
/** Spots that were not looked at yet; none is left once all are ticked. */
const unticked = computed(() =>
  props.sweep.spots.filter((spot) => !props.sweep.ticked.includes(spot)),
)
const sweeping = computed(() => unticked.value.length > 0)
const chosen = computed(() => unticked.value.flatMap((spot) => SPOTS[spot].zones))
const swept = computed(() => unticked.value.map((spot) => SPOTS[spot].name).join(', '))
const label = computed(() => {
  if (count.value) return `Tap a zone for each ${count.value.what} done there`
  if (sweeping.value) return 'Tap a spot that is clear'
  return `Zones: ${placeOf(props.step) || 'none'}`
})
/** What a zone is to the finger: a spot still to be looked at, or nothing more than its name. */
const wordsOf = (zone: ZoneId) => {
  const spot = count.value ? undefined : spotAt(props.sweep, zone)
  return spot ? `${SPOTS[spot].name}: tick as clear` : ''
}
const seen = computed(() => (fromHead.value ? 'view from the head' : 'view from the front'))
/** The zone counted last, to take one back there. */
const latest = ref<RegionId | null>(null)

function tapZone(zone: ZoneId) {
  if (!count.value) return tickSpot(zone)
  const [region] = ZONES[zone].regions
  if (!region) return
  if (!props.step.regions.includes(region)) return emit('warn', notHere(region))
  const trouble = countTrouble(count.value, region)
  emit('warn', trouble ?? '')
  if (trouble !== undefined) return
  latest.value = region
  const { key } = props.step
  void room.tap(
    count.value.what === 'pass'
      ? { kind: 'passDone', key, region }
      : { kind: 'counted', key, region, by: 1 },
  )
}
/** Why a zone is no part of the step: what bars it today, or that it was not planned. */
function notHere(region: RegionId): string {
  const [why] = room.input ? (allowance(props.step, room.input).barred.get(region) ?? []) : []
  const name = REGION_NAMES[region]
  return why ? `Not on ${name}: ${why.text}` : `${name} is not part of this step.`
}
function tickSpot(zone: ZoneId) {
  const spot = spotAt(props.sweep, zone)
  if (spot) void room.tap({ kind: 'swept', key: props.step.key, spots: [spot] })
}
function oneBack() {
  if (!latest.value) return
  void room.tap({ kind: 'counted', key: props.step.key, region: latest.value, by: -1 })
  latest.value = null
}
watch(
  () => props.step.key,
  () => {
    latest.value = null
  },
)
</script>

<template>
  <div class="head">
    <div class="facebox">
      <FaceDrawing
        v-bind="colours"
        :half="step.half"
        :marks="marks"
        :arrows="arrows"
        :chosen="chosen"
        :from-head="fromHead"
        dark
        :pick="counts || sweeping"
        :words="wordsOf"
        :label="label"
        @zone="tapZone"
      />
    </div>
    <RoomButton tone="quiet" hotkey="T" @click="fromHead = !fromHead">{{ seen }} · turn</RoomButton>
    <p v-if="sweeping" class="sweep">
      Check for leftovers<template v-if="!counts">; tap each clean zone</template>: {{ swept }}
    </p>
    <p v-if="count" class="dim">
      Tap each zone for each {{ count.what }}: {{ countWords(count) }}.
    </p>
    <RoomButton v-if="latest" @click="oneBack">Take one back</RoomButton>
  </div>
</template>

<style scoped>
.head {
  padding: 16px 20px 0 0;
  min-height: 0;
  display: flex;
  flex-direction: column;
  align-items: center;
  gap: 8px;
  text-align: center;
}
.facebox {
  flex: 1 1 300px;
  min-height: 240px;
  max-height: 74vh;
  width: 100%;
}
.dim {
  color: var(--candle-dim);
}
.sweep {
  color: var(--glow);
}
</style>
