<script setup lang="ts">
import type { DayPage, DayVisit } from '#contracts/replies/day'
import type { WeekDay } from '#contracts/replies/house'
import { dayLayout, minuteWords, ROOMS_WIDE } from '~/composables/dayLayout'
import { useChanging, type Wish } from '~/composables/day/changing'
import { useNow } from '~/composables/day/now'
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
const wished = ref<Wish | null>(null)
/** Why a place was refused that a visit was dropped on. */
const refused = ref<unknown>(null)
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
const { now, running } = useNow(page, layout)
const reload = async () => {
  await Promise.all([refresh(), refreshWeek()])
}
const { done, trouble, change, drop, dropOnDay, takeBack } = useChanging(
  page,
  reload,
  (visit, wish, why) => {
    refused.value = why
    wished.value = wish
    editing.value = visit
  },
)
function move(visit: DayVisit) {
  refused.value = wished.value = null
  editing.value = visit
}
function add(wish: typeof wished.value) {
  refused.value = null
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
    <DayHead
      :page="page"
      :week="week ?? null"
      :visits="visits.length"
      @drop="dropOnDay"
      @add="add(null)"
    />
    <p v-if="error || trouble" role="alert" class="tag stop">{{ trouble || sayProblem(error) }}</p>
    <p v-if="done" role="status" class="row moved noprint">
      <span>{{ done.words }}</span>
      <VBtn variant="outlined" size="small" @click="takeBack()">Undo</VBtn>
    </p>
    <div v-if="page && layout" class="body" :class="{ many: page.rooms.length > ROOMS_WIDE }">
      <div class="rooms">
        <DayHours :layout="layout" :now="running ? now : null" />
        <RoomCloth
          v-for="room in page.rooms"
          :key="room.id"
          :room="room"
          :page="page"
          :layout="layout"
          :now="now"
          :visits="visits.filter((visit) => visit.roomId === room.id)"
          @move="move"
          @change="change"
          @drop="(id, minute) => drop(id, room.id, minute)"
          @book="(gap) => book(room.id, gap.from)"
        />
      </div>
      <DueToday :page="page" @made="refresh" @back="takeBack">
        <div class="row tools noprint">
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
          class="mt-3 noprint"
          type="search"
          label="Find on this day"
          density="compact"
          maxlength="60"
          hide-details
        />
        <VSwitch
          v-model="mine"
          class="noprint"
          label="Only mine"
          hide-details
          density="compact"
          color="primary"
        />
      </DueToday>
    </div>
    <LazyVisitBooking
      v-if="editing && standing"
      :visit="moving"
      :day="standing.day"
      :zone="standing.timeZone"
      :rooms="standing.rooms"
      :wished="wished"
      :refused="refused"
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
  --room-name: 32px;
  display: grid;
  grid-auto-flow: column;
  grid-auto-columns: minmax(0, 1fr);
  grid-template-columns: 46px;
  padding: 0 0 20px 20px;
  overflow-x: auto;
}
@media (max-width: 1000px) {
  .body {
    grid-template-columns: minmax(0, 1fr);
  }
}
.many .rooms {
  --room-name: 44px;
}
@media (max-width: 1500px) {
  .many {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
