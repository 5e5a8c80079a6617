<script setup lang="ts">
import { accepts } from '#core/visit/accepts'
import { ZONES, ZONE_IDS, type ZoneId } from '#core/face/zones'
import { colourMoved, itaClass, itaDegrees } from '#core/skin/colour'
import { METERS, type Meter, type MeterKind } from '#core/catalogue/skin/meters'
import { changedBeyond, REPEATS } from '#core/skin/meters'
import { sayProblem, useApi } from '~/composables/useApi'
import { useVisit } from '~/stores/visit'

/**
 * Readings of the room's meters, three in a row on a zone; what changed beyond the meter's own
 * spread is said.
 */
const visit = useVisit()
const api = useApi()
const bundle = computed(() => visit.bundle)
const { data } = await useAsyncData('meters', () => api<{ meters: Meter[] }>('/api/meters'))
const kind = ref<MeterKind>('hydration')
const zone = ref<ZoneId>('forehead')
const phase = ref<'madeUp' | 'bare'>('madeUp')
const busy = ref(false)
const trouble = ref('')
const flat = ref(false)
const may = computed(
  () => bundle.value?.may.write === true && accepts(bundle.value.visit.status, 'meters'),
)
const zones = ZONE_IDS.filter((zone) => ZONES[zone].regions.length > 0).map((zone) => ({
  value: zone,
  title: ZONES[zone].name,
}))
async function take() {
  const held = bundle.value
  if (!held) return
  busy.value = true
  trouble.value = ''
  try {
    const { reading, batteryLow } = await api<{
      reading: (typeof held.meters.today)[number]
      batteryLow: boolean
    }>(`/api/visits/${held.visit.id}/meter`, {
      method: 'POST',
      body: { id: crypto.randomUUID(), kind: kind.value, zone: zone.value, phase: phase.value },
    })
    const now = visit.bundle?.meters ?? held.meters
    visit.put({ meters: { ...now, today: [...now.today, reading] } })
    flat.value = batteryLow
  } catch (error) {
    trouble.value = sayProblem(error)
  } finally {
    busy.value = false
  }
}
const shortNumber = (value: number) => Number(value.toFixed(2)).toString()
const latest = computed(() =>
  [
    ...new Map(
      (bundle.value?.meters.today ?? []).map((reading) => [
        `${reading.kind} ${reading.zone} ${reading.phase}`,
        reading,
      ]),
    ).values(),
  ].reverse(),
)
const before = (reading: { kind: MeterKind; zone: ZoneId }) =>
  bundle.value?.meters.before.find(
    (item) => item.kind === reading.kind && item.zone === reading.zone,
  )
function against(taken: { kind: MeterKind; zone: ZoneId; median: number }): string {
  const old = before(taken)
  if (!old) return 'first reading'
  return changedBeyond(taken.kind, old.median, taken.median)
    ? `${shortNumber(old.median)} → ${shortNumber(taken.median)}: changed`
    : `last ${shortNumber(old.median)}: no change beyond the meter’s own spread`
}
/**
 * How far a zone's colour has moved since the last visit, where both times all three values were
 * taken.
 */
const moved = computed(() =>
  zones.flatMap(({ value, title }) => {
    const lab = (list: readonly { kind: MeterKind; zone: ZoneId; median: number }[]) => {
      const of = (meterKind: MeterKind) =>
        list.find((reading) => reading.kind === meterKind && reading.zone === value)?.median
      const [key, ownRedGreen, bb] = [of('lightness'), of('redGreen'), of('blueYellow')]
      return key === undefined || ownRedGreen === undefined || bb === undefined
        ? undefined
        : { L: key, a: ownRedGreen, b: bb }
    }
    const [then, now] = [lab(bundle.value?.meters.before ?? []), lab(latest.value)]
    if (!then || !now) return []
    return [{ title, text: colourMoved(then, now) }]
  }),
)
/** The typology angle of each zone that has both L* and b*. */
const angles = computed(() =>
  zones.flatMap(({ value, title }) => {
    const of = (meterKind: MeterKind) =>
      latest.value.find((reading) => reading.kind === meterKind && reading.zone === value)?.median
    const [key, bb] = [of('lightness'), of('blueYellow')]
    if (key === undefined || bb === undefined) return []
    const ita = itaDegrees({ L: key, a: of('redGreen') ?? 0, b: bb })
    return [
      {
        title,
        text:
          ita === undefined
            ? 'b* is not above zero: no angle'
            : `ITA ${ita.toFixed(0)}°, ${itaClass(ita).name}`,
      },
    ]
  }),
)
const PHASES = [
  { value: 'madeUp', title: 'on arrival' },
  { value: 'bare', title: 'after the surface cleanse' },
] as const
</script>

<template>
  <details v-if="data?.meters.length" class="panel">
    <summary>
      <b>Meters</b>{{ ' ' }}
      <span class="soft">{{
        latest.length ? `${latest.length} read` : `${REPEATS} values a reading`
      }}</span>
    </summary>
    <div class="stack mt-2">
      <VSelect
        v-model="kind"
        :items="data.meters.map((m) => ({ value: m.kind, title: `${m.name}, ${m.unit}` }))"
        label="Meter"
        density="compact"
      />
      <VSelect v-model="zone" :items="zones" label="Zone" density="compact" />
      <VSelect v-model="phase" :items="PHASES" label="When" density="compact" />
      <VBtn color="secondary" :loading="busy" :disabled="!may" @click="take">Take the reading</VBtn>
      <p v-if="trouble" role="alert" class="tag stop">{{ trouble }}</p>
      <p v-if="flat" class="tag watch">The meter's battery is low.</p>
      <ul class="plainlist figures">
        <li v-for="reading in latest" :key="reading.id">
          <b
            >{{ ZONES[reading.zone].name }}, {{ METERS[reading.kind].name }}
            {{ shortNumber(reading.median) }} {{ METERS[reading.kind].unit }}</b
          ><br /><span class="soft"
            >spread {{ shortNumber(reading.spread) }} of {{ reading.values.length
            }}{{ reading.phase === 'bare' ? ', bare' : '' }} · {{ against(reading) }}</span
          >
        </li>
      </ul>
      <ul v-if="angles.length || moved.length" class="plainlist">
        <li v-for="angle in [...angles, ...moved]" :key="angle.title + angle.text">
          {{ angle.title }}: <b>{{ angle.text }}</b>
        </li>
      </ul>
      <p v-if="angles.length || moved.length" class="soft fine">
        ITA: Chardon, Cretois &amp; Hourseau 1991. ΔE: CIEDE2000, ISO/CIE 11664-6.
      </p>
    </div>
  </details>
</template>

<style scoped>
li {
  padding: 4px 0;
}
p {
  margin: 0;
}
.fine {
  font-size: 0.8125rem;
}
</style>
