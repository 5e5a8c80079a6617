<script setup lang="ts">
import { mdiMapMarkerPlusOutline } from '@mdi/js'
import type { DayPage, DayVisit } from '#contracts/replies/day'
import type { WeekDay } from '#contracts/replies/house'
import { DEVICE_NAMES } from '#core/catalogue/kinds'
import { DAY_MINUTES } from '#core/timing/places'
import { clock, fullDay, noonOf } from '~/composables/dates'
import { dayLayout, HOUR_PX, minuteWords } from '~/composables/dayLayout'
import { useMoving } from '~/composables/day/moving'
import { sayProblem, useApi } from '~/composables/useApi'
import { useSession } from '~/stores/session'

useHead({ title: 'Day · Oak Basin' })
const api = useApi()
const route = useRoute()
const session = useSession()
const date = computed(() => String(route.query.date ?? ''))
const {
  data: page,
  error,
  refresh,
} = await useAsyncData(
  'day',
  () => api<DayPage>(`/api/day${date.value ? `?date=${date.value}` : ''}`),
  { watch: [date] },
)
const { data: week, refresh: refreshWeek } = await useAsyncData(
  'week',
  () => api<WeekDay[]>(`/api/week?date=${page.value?.day}`),
  { watch: [() => page.value?.day] },
)
const mine = ref(false)
const editing = ref<DayVisit | 'new' | null>(null)
/** Where a new visit is looked for: a room and a moment, when open weave was tapped. */
const wished = ref<{ roomId: string; time: string } | null>(null)
/** The visit that is moved, as it stands now: the day may be read anew under the dialog. */
const moving = computed(() => {
  const own = editing.value
  if (own === null || own === 'new') return null
  return page.value?.visits.find(({ id }) => id === own.id) ?? own
})
/** What the dialog stands on stays, whatever becomes of the page behind it. */
const standing = ref<Pick<DayPage, 'day' | 'timeZone' | 'rooms'> | null>(null)
watch(editing, (is) => {
  standing.value = is === null ? null : (page.value ?? standing.value)
})
const sought = ref('')
const visits = computed(() =>
  (page.value?.visits ?? []).filter(
    (visit) =>
      (!mine.value || visit.staffId === session.me?.id) &&
      `${visit.client} ${visit.staff}`.toLowerCase().includes(sought.value.trim().toLowerCase()),
  ),
)
const layout = computed(() => page.value && dayLayout(page.value))
const heading = computed(() => (page.value ? fullDay(noonOf(page.value.day), 'UTC') : 'Day'))
const counted = computed(() => {
  const { length } = visits.value
  const count = `${length} ${length === 1 ? 'visit' : 'visits'}`
  const shut = page.value?.shut ? `, shut: ${page.value.shut}` : ''
  return `${count}, ${page.value?.cleaningMinutes ?? 0} min cleaning after each${shut}`
})
/** The minute of now on the day shown: 0 before it, the end of the day once it is over. */
const now = computed(() => {
  if (!page.value || !layout.value) return 0
  const { day, now: at, timeZone } = page.value
  const today = new Intl.DateTimeFormat('en-CA', { timeZone }).format(at)
  if (day > today) return 0
  return day < today ? DAY_MINUTES : layout.value.minuteOf(at)
})
const running = computed(() => now.value > 0 && now.value < DAY_MINUTES)
const named = (id: string) => {
  const visit = page.value?.visits.find((one) => one.id === id)
  return visit ? `${clock(visit.startsAt, page.value?.timeZone ?? 'UTC')} ${visit.client}` : ''
}
const conflicts = computed(() =>
  (page.value?.conflicts ?? []).map(({ kind, a: one, b: other, device, sentence }) => ({
    key: kind + one + other,
    text: `${device ? `${DEVICE_NAMES[device]}: ` : ''}${sentence} ${named(one)} · ${named(other)}`,
  })),
)
const reload = async () => {
  await Promise.all([refresh(), refreshWeek()])
}
const { moved, trouble, drop, takeBack } = useMoving(page, reload)
function add(wish: typeof wished.value) {
  wished.value = wish
  editing.value = 'new'
}
function book(roomId: string, from: number) {
  add({ roomId, time: minuteWords(from) })
}
/** A visit of another day is shown where it stands. */
async function saved(day?: string) {
  editing.value = null
  await (day && day !== page.value?.day ? goTo(day) : reload())
}
const goTo = (day: string) => day && navigateTo(`/?date=${day}`)
</script>

<template>
  <div class="day">
    <header class="head">
      <div>
        <h1>{{ heading }}</h1>
        <p class="soft">{{ counted }}</p>
      </div>
      <WeekBowls v-if="week && page" :week="week" :day="page.day" />
      <VBtn color="primary" :prepend-icon="mdiMapMarkerPlusOutline" @click="add(null)">
        Add a visit
      </VBtn>
    </header>
    <p v-if="error || trouble" role="alert" class="tag stop">{{ trouble || sayProblem(error) }}</p>
    <p v-if="moved" role="status" class="row moved">
      <span>{{ moved.words }}</span>
      <VBtn variant="outlined" size="small" @click="takeBack">Undo</VBtn>
    </p>
    <div v-if="page && layout" class="body">
      <div class="rooms">
        <div class="hours" :style="{ height: layout.height }" aria-hidden="true">
          <span
            v-for="(hour, i) in layout.hours"
            :key="hour"
            class="figures soft"
            :style="{ top: `${i * HOUR_PX - 9}px` }"
            >{{ hour }}</span
          >
          <b v-if="running" class="now figures" :style="{ top: layout.top(now) }">{{
            minuteWords(now)
          }}</b>
        </div>
        <RoomCloth
          v-for="room in page.rooms"
          :key="room.id"
          :room="room"
          :page="page"
          :layout="layout"
          :now="now"
          :visits="visits.filter((visit) => visit.roomId === room.id)"
          @move="(visit) => (editing = visit)"
          @drop="(id, minute) => drop(id, room.id, minute)"
          @book="(gap) => book(room.id, gap.from)"
        />
      </div>
      <DueToday
        :calls="page.calls"
        :dues="page.dues"
        :conflicts="conflicts"
        :away="page.away"
        @made="refresh"
      >
        <div class="row tools">
          <DayField
            whole
            :model-value="page.day"
            label="Go to"
            density="compact"
            hide-details
            class="goto"
            @update:model-value="goTo"
          />
          <VBtn variant="outlined" :active="false" to="/">Today</VBtn>
        </div>
        <VTextField
          v-model="sought"
          class="mt-3"
          type="search"
          label="Find on this day"
          density="compact"
          maxlength="60"
          hide-details
        />
        <VSwitch v-model="mine" label="Only mine" hide-details density="compact" color="primary" />
      </DueToday>
    </div>
    <LazyVisitBooking
      v-if="editing && standing"
      :visit="moving"
      :day="standing.day"
      :zone="standing.timeZone"
      :rooms="standing.rooms"
      :wished="wished"
      @close="editing = null"
      @saved="saved"
    />
  </div>
</template>

<style scoped>
.day {
  display: flex;
  flex-direction: column;
  min-height: 100dvh;
}
.head {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  justify-content: space-between;
  gap: 8px 20px;
  padding: 16px 20px 8px 28px;
}
.tools {
  align-items: center;
  flex-wrap: nowrap;
}
.goto {
  flex: 1;
}
.day > .tag,
.moved {
  margin: 0 28px 8px;
}
.body {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 290px;
  flex: 1;
}
.rooms {
  display: grid;
  grid-auto-flow: column;
  grid-auto-columns: minmax(0, 1fr);
  grid-template-columns: 46px;
  padding: 0 0 20px 20px;
  overflow-x: auto;
}
.hours {
  position: relative;
  margin-top: 39px;
}
.hours span,
.now {
  position: absolute;
  right: 14px;
  font-size: 0.875rem;
}
.hours span:first-child {
  top: 0 !important;
}
.now {
  color: var(--basin);
  transform: translateY(-50%);
  background: var(--linen);
}
@media (max-width: 1000px) {
  .body {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
