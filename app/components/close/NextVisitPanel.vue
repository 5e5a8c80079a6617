<script setup lang="ts">
import { DateTime } from 'luxon'
import { suggestNext } from '#core/course/next'
import { fold } from '#core/treatment/fold/fold'
import { foldContext } from '#core/visit/roomContext'
import { stepsDone } from '#core/visit/record'
import type { VisitBundle } from '#core/visit/bundle'
import type { VisitPatch } from '#contracts/visit'
import { useAttempt } from '~/composables/attempt'
import { fieldProblem } from '~/composables/useApi'
import { useSession } from '~/stores/session'
import { dayAndClock, isoDayWords } from '~/composables/dates'
import { useVisit } from '~/stores/visit'

/** When the client should come again, by the strictest rest; set here, and as a calendar file. */
const props = defineProps<{ bundle: VisitBundle }>()
const emit = defineEmits<{ calendar: [] }>()
const session = useSession()
const { busy, problem, trouble, attempt } = useAttempt()
const visit = useVisit()
const zone = computed(() => props.bundle.practice.timeZone)
const suggestion = computed(() => {
  if (!visit.input || props.bundle.visit.status === 'booked') return null
  const state = fold(props.bundle.events, foldContext(props.bundle, visit.input))
  const done = stepsDone(props.bundle, state).map((step) => step.technique)
  return suggestNext(done, props.bundle.today)
})
const suggested = computed(() => {
  if (!suggestion.value) return ''
  const day = isoDayWords(suggestion.value.day)
  return `Suggested ${day}: ${suggestion.value.reason}.`
})
const booked = computed(() => {
  const { nextBooked: next } = props.bundle
  return (
    next && {
      id: next.id,
      words: `${dayAndClock(next.startsAt, zone.value)} · ${next.room} · ${next.staff}`,
    }
  )
})
const day = ref('')
/** Where no place is known to be free. */
const USUAL_TIME = '10:00'
const time = ref(USUAL_TIME)
watch(
  [() => props.bundle.visit.nextVisitAt, suggestion],
  ([at]) => {
    if (at) {
      const when = DateTime.fromMillis(at, { zone: zone.value })
      day.value = when.toISODate() ?? ''
      time.value = when.toFormat('HH:mm')
    } else if (!day.value) day.value = suggestion.value?.day ?? ''
  },
  { immediate: true },
)
/** The fields begin at the first place that is free, unless somebody has set them already. */
const isAsOffered = () => day.value === suggestion.value?.day && time.value === USUAL_TIME
function beginAt(startsAt: number) {
  if (props.bundle.visit.nextVisitAt !== null || !isAsOffered()) return
  const when = DateTime.fromMillis(startsAt, { zone: zone.value })
  day.value = when.toISODate() ?? ''
  time.value = when.toFormat('HH:mm')
}
const because = ref('')
/** The moment that was asked for, as the wire has it. */
const wanted = computed(() =>
  DateTime.fromISO(`${day.value}T${time.value}`, { zone: zone.value })
    .toUTC()
    .toISO({ suppressMilliseconds: true }),
)
const put = (patch: Partial<VisitPatch>) =>
  attempt(async () => {
    await visit.change(patch)
    because.value = ''
  })
const set = (movesNext: boolean) =>
  put({
    nextVisitAt: wanted.value,
    ...(movesNext ? { movesNext } : {}),
    ...(because.value.trim() ? { allowedBecause: because.value.trim() } : {}),
  })
const book = (startsAt: number) =>
  put({ nextVisitAt: DateTime.fromMillis(startsAt).toUTC().toISO({ suppressMilliseconds: true }) })
/** One is booked already: it is moved only when that is said. */
const asksToMove = computed(() => fieldProblem(problem.value, 'movesNext').length > 0)
/** Something is in the way: an owner may say why it stands anyway. */
const inTheWay = computed(
  () => session.me?.role === 'owner' && fieldProblem(problem.value, 'startsAt').length > 0,
)
</script>

<template>
  <section class="panel noprint stack">
    <h2>Next visit</h2>
    <p v-if="booked" class="tag good">
      Booked: <NuxtLink class="own" :to="`/visits/${booked.id}/ask`">{{ booked.words }}</NuxtLink>
    </p>
    <p v-if="suggested" class="soft">{{ suggested }}</p>
    <NextPlaces
      v-if="!booked && suggestion"
      :bundle="bundle"
      :from="suggestion.day"
      :disabled="busy || !bundle.may.write"
      @choose="book"
      @found="beginAt"
    />
    <div class="row">
      <DayField v-model="day" whole label="Day" density="compact" />
      <TimeField v-model="time" label="Time" density="compact" />
    </div>
    <VTextField
      v-if="inTheWay"
      v-model="because"
      label="Reason for booking anyway"
      maxlength="200"
      density="compact"
    />
    <p v-if="trouble" role="alert" class="tag stop">{{ trouble }}</p>
    <div class="row">
      <VBtn
        v-if="asksToMove"
        color="primary"
        :loading="busy"
        :disabled="!bundle.may.write || !wanted"
        @click="set(true)"
      >
        Move it here
      </VBtn>
      <VBtn
        v-else
        variant="outlined"
        :loading="busy"
        :disabled="!bundle.may.write || !wanted"
        @click="set(false)"
      >
        Book the next visit
      </VBtn>
      <VBtn v-if="bundle.visit.nextVisitAt" variant="outlined" @click="emit('calendar')">
        Calendar file
      </VBtn>
    </div>
    <CoursePanel v-if="suggestion" :bundle="bundle" :from="suggestion.day" />
  </section>
</template>

<style scoped>
.own {
  color: inherit;
}
</style>
