<script setup lang="ts">
import { watchDebounced } from '@vueuse/core'
import type { Place } from '#contracts/replies/house'
import { isVisitLength } from '#core/timing/places'
import { clock, isoDayWords } from '~/composables/dates'
import { sayProblem, useApi } from '~/composables/useApi'

/** Where a visit of this length fits: by the hours of house and person, the room and its cleaning. */
const props = defineProps<{
  from: string
  minutes: number
  staffId: string
  /** The room that is thought of: where it is free, it is the one that is offered. */
  roomId: string
  /** Whom it is for, once that is known. */
  clientId: string
  /** The visit that is moved, if one is. */
  visitId: string | undefined
  zone: string
}>()
const emit = defineEmits<{ choose: [place: Place] }>()
/** So many are shown; the day and the person narrow them. */
const SHOWN = 20
const HALF_HOUR_MS = 1_800_000
const api = useApi()
const places = ref<Place[]>([])
const trouble = ref('')
const asked = ref(false)
const words = (place: Place) => `${clock(place.startsAt, props.zone)} ${place.room}`
/** Each moment once, so that a day is seen whole in a house of many hands. */
const moments = computed(() => {
  const own = new Map<number, Place>()
  for (const place of places.value)
    if (!own.has(place.startsAt) || place.roomId === props.roomId) own.set(place.startsAt, place)
  return [...own.values()]
})
/** Where there are many, those on the half hours. */
const offered = computed(() => {
  const halves = moments.value.filter(({ startsAt }) => startsAt % HALF_HOUR_MS === 0)
  const many = moments.value.length > SHOWN && halves.length > 0
  return (many ? halves : moments.value).slice(0, SHOWN)
})
/** One line a day. */
const byDay = computed(() => {
  const days = new Map<string, Place[]>()
  for (const place of offered.value) days.set(place.day, [...(days.get(place.day) ?? []), place])
  return [...days].map(([day, own]) => ({ day, words: isoDayWords(day), places: own }))
})
watchDebounced(
  () => [props.from, props.minutes, props.staffId, props.clientId, props.roomId] as const,
  async ([from, minutes, staffId, clientId, roomId]) => {
    trouble.value = ''
    if (!/^\d{4}-\d{2}-\d{2}$/.test(from) || !isVisitLength(minutes)) return
    const query = new URLSearchParams({ from, minutes: String(minutes) })
    if (staffId) query.set('staffId', staffId)
    if (clientId) query.set('clientId', clientId)
    if (roomId) query.set('wishedRoomId', roomId)
    if (props.visitId) query.set('visitId', props.visitId)
    try {
      places.value = await api<Place[]>(`/api/places?${query}`)
      asked.value = true
    } catch (error) {
      trouble.value = sayProblem(error)
    }
  },
  { immediate: true, debounce: 250 },
)
</script>

<template>
  <section aria-label="Free places">
    <p class="soft">Free places of {{ minutes }} min, cleaning included</p>
    <div class="found" :aria-busy="!asked && !trouble">
      <div v-for="own in byDay" :key="own.day" class="row days">
        <b>{{ own.words }}</b>
        <VBtn
          v-for="place in own.places"
          :key="place.startsAt + place.roomId"
          variant="outlined"
          size="small"
          @click="emit('choose', place)"
          >{{ words(place) }}</VBtn
        >
      </div>
      <p v-if="asked && !places.length" class="tag watch">None in the week from that day.</p>
      <p v-if="trouble" role="alert" class="tag stop">{{ trouble }}</p>
    </div>
  </section>
</template>

<style scoped>
/* Its height is kept: what is found late may not push the button below from under a finger. */
.found {
  block-size: 226px;
  overflow-y: auto;
  scrollbar-gutter: stable;
}
.days {
  gap: 6px;
  margin-top: 4px;
}
.days b {
  min-width: 92px;
  font-size: 0.9375rem;
}
</style>
