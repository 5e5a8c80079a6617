<script setup lang="ts">
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
const b = computed(() => visit.bundle)
const { data } = await useAsyncData('meters', () => api<{ meters: Meter[] }>('/api/meters'))
const kind = ref<MeterKind>('hydration')
const zone = ref<ZoneId>('forehead')
const phase = ref<'madeUp' | 'bare'>('madeUp')
const busy = ref(false)
const trouble = ref('')
const flat = ref(false)
const may = computed(
  () =>
    b.value?.may.write === true &&
    (b.value.visit.status === 'booked' || b.value.visit.status === 'treating'),
)
const zones = ZONE_IDS.filter((z) => ZONES[z].regions.length > 0).map((z) => ({
  value: z,
  title: ZONES[z].name,
}))
async function take() {
  const held = b.value
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
    held.meters.today = [...held.meters.today, reading]
    flat.value = batteryLow
  } catch (e) {
    trouble.value = sayProblem(e)
  } finally {
    busy.value = false
  }
}
const n = (v: number) => Number(v.toFixed(2)).toString()
const latest = computed(() =>
  [
    ...new Map(
      (b.value?.meters.today ?? []).map((m) => [`${m.kind} ${m.zone} ${m.phase}`, m]),
    ).values(),
  ].reverse(),
)
const before = (m: { kind: MeterKind; zone: ZoneId }) =>
  b.value?.meters.before.find((x) => x.kind === m.kind && x.zone === m.zone)
function against(m: { kind: MeterKind; zone: ZoneId; median: number }): string {
  const old = before(m)
  if (!old) return 'first reading'
  return changedBeyond(m.kind, old.median, m.median)
    ? `${n(old.median)} → ${n(m.median)}: changed`
    : `last ${n(old.median)}: no change beyond the meter's own`
}
/**
 * How far a zone's colour has moved since the last visit, where both times all three values were
 * taken.
 */
const moved = computed(() =>
  zones.flatMap(({ value, title }) => {
    const lab = (list: readonly { kind: MeterKind; zone: ZoneId; median: number }[]) => {
      const of = (k: MeterKind) => list.find((m) => m.kind === k && m.zone === value)?.median
      const [L, a, bb] = [of('lightness'), of('redGreen'), of('blueYellow')]
      return L === undefined || a === undefined || bb === undefined ? undefined : { L, a, b: bb }
    }
    const [then, now] = [lab(b.value?.meters.before ?? []), lab(latest.value)]
    if (!then || !now) return []
    return [{ title, text: colourMoved(then, now) }]
  }),
)
/** The typology angle of each zone that has both L* and b*. */
const angles = computed(() =>
  zones.flatMap(({ value, title }) => {
    const of = (k: MeterKind) => latest.value.find((m) => m.kind === k && m.zone === value)?.median
    const [L, bb] = [of('lightness'), of('blueYellow')]
    if (L === undefined || bb === undefined) return []
    const ita = itaDegrees({ L, a: of('redGreen') ?? 0, b: bb })
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
  { value: 'madeUp', title: 'as they came' },
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
        <li v-for="m in latest" :key="m.id">
          <b
            >{{ ZONES[m.zone].name }}, {{ METERS[m.kind].name }} {{ n(m.median) }}
            {{ METERS[m.kind].unit }}</b
          ><br /><span class="soft"
            >spread {{ n(m.spread) }} of {{ m.values.length
            }}{{ m.phase === 'bare' ? ', bare' : '' }} · {{ against(m) }}</span
          >
        </li>
      </ul>
      <ul v-if="angles.length || moved.length" class="plainlist">
        <li v-for="a in [...angles, ...moved]" :key="a.title + a.text">
          {{ a.title }}: <b>{{ a.text }}</b>
        </li>
      </ul>
      <p v-if="angles.length || moved.length" class="soft fine">
        ITA: Chardon, Cretois &amp; Hourseau 1991. ΔE: CIEDE2000, ISO/CIE 11664-6.
      </p>
    </div>
  </details>
</template>

<style scoped>
summary {
  cursor: pointer;
}
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
