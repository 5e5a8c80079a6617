<script setup lang="ts">
import { mdiAlertCircleOutline, mdiChevronLeft, mdiChevronRight, mdiPlus } from '@mdi/js'
import type { DayPage, DayVisit } from '#contracts/day'
import { DEVICE_NAMES } from '#core/catalogue/kinds'
import { addDays } from '#core/screening/days'
import { clock, fullDay } from '~/composables/dates'
import { dayLayout, HOUR_PX } from '~/composables/dayLayout'
import { sayProblem, useApi } from '~/composables/useApi'

useHead({ title: 'Day · Oak Basin' })
const api = useApi()
const route = useRoute()
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
const editing = ref<DayVisit | 'new' | null>(null)
const moving = computed(() => (editing.value === 'new' ? null : editing.value))
const visits = computed(() => page.value?.visits ?? [])
const layout = computed(() => dayLayout(visits.value, page.value?.timeZone ?? 'UTC'))
const heading = computed(() =>
  page.value ? fullDay(Date.parse(`${page.value.day}T12:00:00Z`), page.value.timeZone) : 'Day',
)
const counted = computed(() => {
  const { length } = visits.value
  const count = `${length} ${length === 1 ? 'visit' : 'visits'}`
  return `${count}, ${page.value?.cleaningMinutes ?? 0} min cleaning after each`
})
const dayBy = (days: number) => (page.value ? `/?date=${addDays(page.value.day, days)}` : '/')
const inRoom = (roomId: string) => visits.value.filter((visit) => visit.roomId === roomId)
const clashes = (id: string) =>
  (page.value?.conflicts ?? []).some((conflict) => conflict.a === id || conflict.b === id)
const named = (id: string) => {
  const visit = visits.value.find((one) => one.id === id)
  return visit ? `${clock(visit.startsAt, page.value?.timeZone ?? 'UTC')} ${visit.client}` : ''
}
const conflicts = computed(() =>
  (page.value?.conflicts ?? []).map(({ kind, a: one, b: other, device, sentence }) => ({
    key: kind + one + other,
    text: `${device ? `${DEVICE_NAMES[device]}: ` : ''}${sentence} ${named(one)} · ${named(other)}`,
  })),
)
async function saved() {
  editing.value = null
  await refresh()
}
</script>

<template>
  <div class="page">
    <header class="between">
      <div>
        <h1>{{ heading }}</h1>
        <p class="soft">{{ counted }}</p>
      </div>
      <div class="row">
        <VBtn variant="outlined" :active="false" :to="dayBy(-1)" :prepend-icon="mdiChevronLeft">
          Day before
        </VBtn>
        <VBtn variant="outlined" :active="false" to="/">Today</VBtn>
        <VBtn variant="outlined" :active="false" :to="dayBy(1)" :append-icon="mdiChevronRight">
          Day after
        </VBtn>
        <VBtn color="primary" :prepend-icon="mdiPlus" @click="editing = 'new'">Add a visit</VBtn>
      </div>
    </header>
    <p v-if="error" role="alert" class="tag stop">{{ sayProblem(error) }}</p>
    <ul v-if="conflicts.length" class="plainlist clashes" aria-label="Taken twice">
      <li v-for="conflict in conflicts" :key="conflict.key" class="tag stop">
        <VIcon :icon="mdiAlertCircleOutline" size="18" aria-hidden="true" />
        <span>{{ conflict.text }}</span>
      </li>
    </ul>
    <CallsDue :calls="page?.calls ?? []" @made="refresh" />
    <div
      v-if="page"
      class="rooms"
      :style="{ gridTemplateColumns: `52px repeat(${page.rooms.length}, 1fr)` }"
    >
      <div />
      <h2 v-for="room in page.rooms" :key="room.id" class="room">{{ room.name }}</h2>
      <div class="hours" :style="{ height: layout.height }">
        <span
          v-for="(hour, i) in layout.hours"
          :key="hour"
          class="figures soft"
          :style="{ top: `${i * HOUR_PX - 9}px` }"
          >{{ hour }}:00</span
        >
      </div>
      <div
        v-for="room in page.rooms"
        :key="room.id"
        class="lane"
        :style="{ height: layout.height, backgroundSize: `100% ${HOUR_PX}px` }"
      >
        <DayVisitBand
          v-for="visit in inRoom(room.id)"
          :key="visit.id"
          :visit="visit"
          :zone="page.timeZone"
          :clash="clashes(visit.id)"
          :style="layout.styleOf(visit)"
          @move="editing = visit"
        />
      </div>
    </div>
    <LazyVisitBooking
      v-if="editing && page"
      :visit="moving"
      :day="page.day"
      :zone="page.timeZone"
      :rooms="page.rooms"
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
</style>
