<script setup lang="ts">
import { mdiAlertCircleOutline, mdiChevronLeft, mdiChevronRight, mdiPlus } from '@mdi/js'
import { DEVICE_NAMES, type DeviceKind } from '#core/catalogue/kinds'
import { useApi } from '~/composables/useApi'
import { clock, fullDay } from '~/composables/dates'

interface DayVisit {
  id: string
  clientId: string
  client: string
  staffId: string
  staff: string
  roomId: string
  startsAt: number
  minutes: number
  status: string
  version: number
  stops: Record<'ask' | 'read' | 'plan' | 'treat' | 'close', boolean>
}
interface Day {
  day: string
  now: number
  timeZone: string
  cleaningMinutes: number
  rooms: { id: string; name: string }[]
  visits: DayVisit[]
  conflicts: { kind: string; a: string; b: string; device?: DeviceKind; sentence: string }[]
}

useHead({ title: 'Day · Oak Basin' })
const api = useApi()
const route = useRoute()
const date = computed(() => String(route.query.date ?? ''))
const {
  data: day,
  error,
  refresh,
} = await useAsyncData(
  'day',
  () => api<Day>(`/api/day${date.value ? `?date=${date.value}` : ''}`),
  { watch: [date] },
)
const editing = ref<DayVisit | 'new' | null>(null)

const move = (days: number) => {
  const d = new Date(`${day.value?.day ?? ''}T12:00:00Z`)
  d.setUTCDate(d.getUTCDate() + days)
  return `/?date=${d.toISOString().slice(0, 10)}`
}
const hourOf = (ms: number) => {
  const [h = 0, m = 0] = clock(ms, day.value?.timeZone ?? 'UTC')
    .split(':')
    .map(Number)
  return h + m / 60
}
/** The house's usual hours, stretched to whatever is booked outside them. */
const START = computed(() =>
  Math.min(8, ...(day.value?.visits ?? []).map((v) => Math.floor(hourOf(v.startsAt)))),
)
const END = computed(() =>
  Math.min(
    24,
    Math.max(
      19,
      ...(day.value?.visits ?? []).map((v) => Math.ceil(hourOf(v.startsAt) + v.minutes / 60)),
    ),
  ),
)
const PX = 60
const top = (v: DayVisit) => (hourOf(v.startsAt) - START.value) * PX
const height = (v: DayVisit) => (v.minutes / 60) * PX
/** Two visits at once in one room stand side by side, so that neither hides the other. */
const shift = (v: DayVisit) =>
  (day.value?.visits ?? []).filter(
    (o) =>
      o.roomId === v.roomId &&
      o.id !== v.id &&
      o.startsAt <= v.startsAt &&
      o.startsAt + o.minutes * 60_000 > v.startsAt &&
      (o.startsAt < v.startsAt || o.id < v.id),
  ).length
const next = (v: DayVisit) =>
  v.status === 'treating'
    ? 'treat'
    : v.status === 'closing' || v.status === 'sealed'
      ? 'close'
      : !v.stops.ask
        ? 'ask'
        : !v.stops.read
          ? 'read'
          : 'plan'
const who = (id: string) => day.value?.visits.find((v) => v.id === id)
const conflictsOf = (id: string) =>
  (day.value?.conflicts ?? []).filter((c) => c.a === id || c.b === id)
const stops = [
  ['ask', 'Ask'],
  ['read', 'Read'],
  ['plan', 'Plan'],
  ['treat', 'Treat'],
  ['close', 'Close'],
] as const
async function saved() {
  editing.value = null
  await refresh()
}
</script>

<template>
  <div class="page">
    <header class="between">
      <div>
        <h1>{{ day ? fullDay(Date.parse(`${day.day}T12:00:00Z`), day.timeZone) : 'Day' }}</h1>
        <p class="soft">
          {{ day?.visits.length ?? 0 }} visits, {{ day?.cleaningMinutes }} min cleaning after each
        </p>
      </div>
      <div class="row">
        <VBtn variant="outlined" :active="false" :to="move(-1)" :prepend-icon="mdiChevronLeft"
          >Day before</VBtn
        ><VBtn variant="outlined" :active="false" to="/">Today</VBtn
        ><VBtn variant="outlined" :active="false" :to="move(1)" :append-icon="mdiChevronRight"
          >Day after</VBtn
        >
        <VBtn color="primary" :prepend-icon="mdiPlus" @click="editing = 'new'">Add a visit</VBtn>
      </div>
    </header>
    <p v-if="error" role="alert" class="tag stop">The day could not be read. Try again.</p>
    <ul v-if="day && day.conflicts.length" class="plainlist clashes" aria-label="Taken twice">
      <li v-for="(c, i) in day.conflicts" :key="i" class="tag stop">
        <VIcon :icon="mdiAlertCircleOutline" size="18" aria-hidden="true" /><span
          >{{ c.device ? `${DEVICE_NAMES[c.device]}: ` : '' }}{{ c.sentence }}
          {{ clock(who(c.a)?.startsAt ?? 0, day.timeZone) }} {{ who(c.a)?.client }} ·
          {{ clock(who(c.b)?.startsAt ?? 0, day.timeZone) }} {{ who(c.b)?.client }}</span
        >
      </li>
    </ul>
    <div
      v-if="day"
      class="rooms"
      :style="{ gridTemplateColumns: `52px repeat(${day.rooms.length}, 1fr)` }"
    >
      <div />
      <h2 v-for="r in day.rooms" :key="r.id" class="room">{{ r.name }}</h2>
      <div class="hours" :style="{ height: `${(END - START) * PX}px` }">
        <span
          v-for="h in END - START"
          :key="h"
          class="figures soft"
          :style="{ top: `${(h - 1) * PX - 9}px` }"
          >{{ START + h - 1 }}:00</span
        >
      </div>
      <div
        v-for="r in day.rooms"
        :key="r.id"
        class="lane"
        :style="{ height: `${(END - START) * PX}px`, backgroundSize: `100% ${PX}px` }"
      >
        <article
          v-for="v in day.visits.filter((x) => x.roomId === r.id)"
          :key="v.id"
          class="visit"
          :class="[v.status, { clash: conflictsOf(v.id).length }]"
          :style="{ top: `${top(v)}px`, height: `${height(v)}px`, left: `${4 + shift(v) * 30}px` }"
        >
          <NuxtLink :to="`/visits/${v.id}/${next(v)}`" class="open"
            ><b>{{ clock(v.startsAt, day.timeZone) }} {{ v.client }}</b
            ><span class="soft">
              · {{ v.staff.split(' ')[0] }} · {{ v.minutes }} min</span
            ></NuxtLink
          >
          <ol class="stops" aria-label="Stops">
            <li v-for="[key, name] in stops" :key="key" :class="{ done: v.stops[key] }">
              <i aria-hidden="true" />{{ name
              }}<span class="sr">{{ v.stops[key] ? ' ready' : ' open' }}</span>
            </li>
          </ol>
          <VBtn
            v-if="v.status === 'booked'"
            class="shiftbtn"
            size="small"
            height="30"
            variant="text"
            @click="editing = v"
            >Move</VBtn
          >
        </article>
      </div>
    </div>
    <LazyVisitBooking
      v-if="editing && day"
      :visit="editing === 'new' ? null : editing"
      :day="day.day"
      :zone="day.timeZone"
      :rooms="day.rooms"
      @close="editing = null"
      @saved="saved"
    />
  </div>
</template>

<style scoped>
.page {
  padding: 20px 28px;
}
.clashes {
  display: flex;
  flex-direction: column;
  gap: 6px;
  margin: 6px 0 10px;
  align-items: flex-start;
}
.rooms {
  display: grid;
  gap: 0 14px;
  margin-top: 6px;
}
.room {
  padding: 6px 0;
}
.hours {
  position: relative;
}
.hours span {
  position: absolute;
  right: 4px;
  font-size: 0.875rem;
}
.hours span:first-child {
  top: 0 !important;
}
.lane {
  position: relative;
  background-color: var(--paper);
  border-radius: 10px;
  border: 1px solid var(--line);
  background-image: linear-gradient(to bottom, var(--line) 1px, transparent 1px);
}
.visit {
  position: absolute;
  right: 4px;
  background: var(--basin-haze);
  border-left: 5px solid var(--basin);
  border-radius: 8px;
  padding: 2px 10px;
  overflow: hidden;
  line-height: 1.25;
}
.visit.sealed {
  background: var(--linen-shade);
  border-left-color: var(--oak-light);
}
.visit.treating {
  background: var(--amber-haze);
  border-left-color: var(--amber);
}
.visit.clash {
  border-left-color: var(--berry);
  box-shadow: inset 0 0 0 1.5px var(--berry);
}
.open {
  color: var(--ink);
  text-decoration: none;
  display: block;
}
.open:hover b {
  text-decoration: underline;
}
.stops {
  display: flex;
  gap: 10px;
  list-style: none;
  padding: 0;
  margin: 1px 0 0;
  font-size: 0.8125rem;
  line-height: 1.2;
}
.stops li {
  display: flex;
  gap: 4px;
  align-items: center;
  color: var(--ink-soft);
}
.stops i {
  width: 13px;
  height: 9px;
  border-radius: 50%;
  border: 1.5px solid var(--oak-grain);
}
.stops .done {
  color: var(--ink);
}
.stops .done i {
  background: var(--oak-grain);
}
.shiftbtn {
  position: absolute;
  right: 2px;
  top: 2px;
  min-width: 0;
}
</style>
