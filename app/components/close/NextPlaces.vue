<script setup lang="ts">
import { DateTime } from 'luxon'
import { OFFERED_LONGEST } from '#contracts/hours'
import type { Place } from '#contracts/replies/house'
import { nearPlaces } from '#core/course/next'
import { HOUR_MINUTES } from '#core/units'
import type { VisitBundle } from '#core/visit/bundle'
import { dayAndClock } from '~/composables/dates'
import { useApi } from '~/composables/useApi'

/** Free places near the suggested day, at this client's own weekday and hour first: one tap books. */
const props = defineProps<{ bundle: VisitBundle; from: string; disabled: boolean }>()
const emit = defineEmits<{ choose: [startsAt: number]; found: [startsAt: number] }>()
const api = useApi()
const places = ref<Place[]>([])
const zone = computed(() => props.bundle.practice.timeZone)
const minuteOf = (at: number) => {
  const there = DateTime.fromMillis(at, { zone: zone.value })
  return there.hour * HOUR_MINUTES + there.minute
}
watch(
  () => props.from,
  async (from) => {
    if (!from || !import.meta.client) return
    const { minutes } = props.bundle.visit
    const query = new URLSearchParams({
      from,
      minutes: String(minutes),
      staffId: props.bundle.staff.id,
      roomId: props.bundle.room.id,
      clientId: props.bundle.client.id,
      most: String(OFFERED_LONGEST),
    })
    places.value = await api<Place[]>(`/api/places?${query}`).catch(() => [])
  },
  { immediate: true },
)
const offered = computed(() => {
  const booked = props.bundle.visit.startsAt
  const there = DateTime.fromMillis(booked, { zone: zone.value })
  const usual = { weekday: there.weekday, minute: minuteOf(booked) }
  return nearPlaces(places.value, props.from, usual, minuteOf)
})
watch(offered, ([first]) => {
  if (first) emit('found', first.startsAt)
})
</script>

<template>
  <div v-if="offered.length" class="row" role="group" aria-label="Free places">
    <VBtn
      v-for="place in offered"
      :key="place.startsAt"
      variant="outlined"
      size="small"
      :disabled="disabled"
      @click="emit('choose', place.startsAt)"
      >{{ dayAndClock(place.startsAt, zone) }}</VBtn
    >
  </div>
</template>
