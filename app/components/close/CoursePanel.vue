<script setup lang="ts">
import type { Place } from '#contracts/replies/house'
import { COURSE, USUAL_DAYS } from '#core/catalogue/rules/visit'
import { WEEK_DAYS } from '#core/units'
import type { VisitBundle } from '#core/visit/bundle'
import { useAttempt } from '~/composables/attempt'
import { dayAndClock } from '~/composables/dates'
import { useApi } from '~/composables/useApi'
import { useVisit } from '~/stores/visit'

/** Several visits at once, so many weeks apart: found first, then booked whole. */
const props = defineProps<{ bundle: VisitBundle; from: string }>()
const api = useApi()
const visit = useVisit()
const { busy, trouble, attempt } = useAttempt()
const count = ref<number>(COURSE.usual)
const weeks = ref(USUAL_DAYS / WEEK_DAYS)
const found = ref<(Place & { id: string })[] | null>(null)
const zone = computed(() => props.bundle.practice.timeZone)
const range = (least: number, most: number) =>
  Array.from({ length: most - least + 1 }, (_, place) => least + place)
const booked = ref(0)
const find = () =>
  attempt(async () => {
    const query = new URLSearchParams({
      from: props.from,
      count: String(count.value),
      weeks: String(weeks.value),
    })
    const places = await api<Place[]>(`/api/visits/${props.bundle.visit.id}/course?${query}`)
    found.value = places.map((place) => ({ ...place, id: crypto.randomUUID() }))
    booked.value = 0
  })
const book = () =>
  attempt(async () => {
    const places = (found.value ?? []).map(({ id, startsAt, roomId }) => ({
      ...{ id, roomId },
      startsAt: new Date(startsAt).toISOString(),
    }))
    await visit.send('/course', 'POST', { places })
    booked.value = places.length
    found.value = null
    await visit.reload()
  })
</script>

<template>
  <details>
    <summary>A course of visits</summary>
    <div class="stack mt-2">
      <div class="row">
        <VSelect
          v-model="count"
          :items="range(COURSE.least, COURSE.most)"
          label="Visits"
          density="compact"
        />
        <VSelect
          v-model="weeks"
          :items="range(COURSE.weeksLeast, COURSE.weeksMost)"
          label="Weeks between"
          density="compact"
        />
      </div>
      <p v-if="trouble" role="alert" class="tag stop">{{ trouble }}</p>
      <p v-if="booked" role="status" class="tag good">{{ booked }} visits are booked.</p>
      <template v-if="found">
        <ol v-if="found.length" class="plainlist" aria-label="Places of the course">
          <li v-for="(place, at) in found" :key="place.id" class="place">
            <span>{{ at + 1 }}. {{ dayAndClock(place.startsAt, zone) }} · {{ place.room }}</span>
            <VBtn
              variant="text"
              size="small"
              @click="found = found.filter(({ id }) => id !== place.id)"
              >Leave out</VBtn
            >
          </li>
        </ol>
        <p v-if="found.length < count" class="soft">
          {{ found.length }} of {{ count }}: no other place is free in its week.
        </p>
      </template>
      <div class="row">
        <VBtn variant="outlined" :loading="busy" :disabled="!bundle.may.write" @click="find"
          >Find places</VBtn
        >
        <VBtn v-if="found?.length" color="primary" :loading="busy" @click="book"
          >Book {{ found.length }} visits</VBtn
        >
      </div>
    </div>
  </details>
</template>

<style scoped>
.place {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 8px;
}
</style>
