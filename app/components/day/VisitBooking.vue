<script setup lang="ts">
import { FIRST_OFFERED, USUAL_MINUTES } from '#core/catalogue/rules/visit'
import { watchDebounced } from '@vueuse/core'
import { DateTime } from 'luxon'
import type { Place } from '#contracts/replies/house'
import { treats, type Role } from '#core/visit/roles'
import type { PersonLine } from '#contracts/replies/people'
import { apartWords, findPeople } from '~/composables/people'
import { fieldProblem, isProblem, sayProblem, useApi } from '~/composables/useApi'
import { useSession } from '~/stores/session'

const props = defineProps<{
  visit: {
    id: string
    version: number
    staffId: string
    roomId: string
    startsAt: number
    minutes: number
    clientId: string
    client: string
  } | null
  day: string
  zone: string
  rooms: { id: string; name: string }[]
  /** Where open weave was tapped. */
  wished?: { roomId: string; time: string; day?: string } | null
  /** Why the place that it was dropped on was refused. */
  refused?: unknown
  /** Whom it is for, where that is known already. */
  client?: { id: string; name: string }
}>()
const emit = defineEmits<{ close: []; saved: [day?: string] }>()
const api = useApi()
const session = useSession()
const staff = ref<{ id: string; name: string }[]>([])
const people = ref<PersonLine[]>([])
const sought = ref('')
/** Ten o'clock; where that is over today, the next half hour. */
function usualMoment() {
  const ten = DateTime.fromISO(props.day, { zone: props.zone }).set({ hour: FIRST_OFFERED.hour })
  const now = DateTime.now().setZone(props.zone)
  if (ten > now || !ten.hasSame(now, 'day')) return ten
  const halves = FIRST_OFFERED.halves.map((minutes) => now.startOf('hour').plus({ minutes }))
  const half = halves.find((own) => own > now && own.hasSame(now, 'day'))
  return half ?? ten.plus({ days: 1 })
}
const at = props.visit
  ? DateTime.fromMillis(props.visit.startsAt, { zone: props.zone })
  : usualMoment()
const form = reactive({
  clientId: props.client?.id ?? props.visit?.clientId ?? '',
  staffId: props.visit?.staffId ?? '',
  roomId: props.wished?.roomId ?? props.visit?.roomId ?? props.rooms[0]?.id ?? '',
  day: props.wished?.day ?? at.toISODate() ?? props.day,
  time: props.wished?.time ?? at.toFormat('HH:mm'),
  minutes: String(props.visit?.minutes ?? USUAL_MINUTES),
  because: '',
})
const id = crypto.randomUUID()
const trouble = ref<unknown>(props.refused ?? null)
const busy = ref(false)
onMounted(async () => {
  const [everybody, found] = await Promise.all([
    api<{ id: string; name: string; role: Role }[]>('/api/staff'),
    findPeople(api, ''),
  ])
  staff.value = everybody.filter(({ role }) => treats(role))
  people.value = found
  // Whoever books is meant, unless another is named.
  const own = staff.value.find(({ id }) => id === session.me?.id) ?? staff.value[0]
  if (!form.staffId) form.staffId = own?.id ?? ''
})

// The server finds people: the list may be longer than any page. What was looked for before comes too late.
watchDebounced(
  sought,
  async (words) => {
    const found = await findPeople(api, words)
    if (words === sought.value) people.value = found
  },
  { debounce: 200 },
)
/** Whoever was chosen stays in the list, whatever is found after that. */
const chosen = shallowRef<PersonLine>()
watch(
  () => form.clientId,
  (is) => {
    chosen.value = people.value.find((own) => own.id === is) ?? chosen.value
  },
)
const offered = computed(() =>
  chosen.value && !people.value.some((own) => own.id === chosen.value?.id)
    ? [chosen.value, ...people.value]
    : people.value,
)

/** Something is in the way: an owner may say why it stands all the same. */
const inTheWay = computed(
  () =>
    session.me?.role === 'owner' &&
    isProblem(trouble.value) &&
    fieldProblem(trouble.value, 'startsAt').length > 0 &&
    trouble.value.status === 409,
)
const insists = ref(false)
watch(
  inTheWay,
  (is) => {
    insists.value ||= is
  },
  { immediate: true },
)
function choose(place: Place) {
  const when = DateTime.fromMillis(place.startsAt, { zone: props.zone })
  form.day = place.day
  form.time = when.toFormat('HH:mm')
  form.staffId = place.staffId
  form.roomId = place.roomId
}

const title = computed(() => {
  if (props.visit) return `Move ${props.visit.client}`
  return props.client ? `A visit for ${props.client.name}` : 'Add a visit'
})
async function save() {
  busy.value = true
  trouble.value = null
  const startsAt =
    DateTime.fromISO(`${form.day}T${form.time}`, { zone: props.zone })
      .toUTC()
      .toISO({ suppressMilliseconds: true }) ?? 'no time'
  const common = {
    staffId: form.staffId,
    roomId: form.roomId,
    startsAt,
    minutes: Number(form.minutes),
    ...(form.because.trim() ? { allowedBecause: form.because } : {}),
  }
  try {
    if (props.visit)
      await api(`/api/visits/${props.visit.id}`, {
        method: 'PATCH',
        body: { version: props.visit.version, ...common },
      })
    else
      await api('/api/visits', { method: 'POST', body: { id, clientId: form.clientId, ...common } })
    emit('saved', form.day)
  } catch (error) {
    trouble.value = error
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <VDialog
    :model-value="true"
    :aria-label="visit ? 'Move the visit' : 'Add a visit'"
    @update:model-value="emit('close')"
  >
    <VCard class="pa-5">
      <form class="stack" novalidate @submit.prevent="save()">
        <h2>{{ title }}</h2>
        <VAutocomplete
          v-if="!visit && !client"
          v-model="form.clientId"
          v-model:search="sought"
          label="Client"
          :items="offered"
          no-filter
          item-title="name"
          item-value="id"
          :item-props="(own: PersonLine) => ({ subtitle: apartWords(own) || undefined })"
          :error-messages="fieldProblem(trouble, 'clientId')"
        />
        <div class="row fields">
          <DayField
            v-model="form.day"
            label="Day"
            :error-messages="fieldProblem(trouble, 'startsAt')"
          /><TimeField v-model="form.time" label="Time" /><VTextField
            v-model="form.minutes"
            label="Minutes"
            inputmode="numeric"
            :error-messages="fieldProblem(trouble, 'minutes')"
          />
        </div>
        <VSelect
          v-model="form.staffId"
          label="Therapist"
          :items="staff"
          item-title="name"
          item-value="id"
          :error-messages="fieldProblem(trouble, 'staffId')"
        />
        <VSelect
          v-model="form.roomId"
          label="Room"
          :items="rooms"
          item-title="name"
          item-value="id"
          :error-messages="fieldProblem(trouble, 'roomId')"
        />
        <FreePlaces
          :from="form.day"
          :minutes="Number(form.minutes)"
          :staff-id="form.staffId"
          :room-id="form.roomId"
          :client-id="form.clientId"
          :visit-id="visit?.id"
          :zone="zone"
          @choose="choose"
        />
        <p v-if="trouble" role="alert" class="tag stop">{{ sayProblem(trouble) }}</p>
        <VTextField
          v-if="insists"
          v-model="form.because"
          label="Reason for booking anyway"
          density="compact"
        />
        <div class="row">
          <VBtn type="submit" color="primary" :loading="busy">{{
            visit ? 'Move the visit' : 'Add the visit'
          }}</VBtn><VBtn variant="outlined" @click="emit('close')">Close</VBtn>
        </div>
      </form>
    </VCard>
  </VDialog>
</template>

<style scoped>
.fields > * {
  flex: 1;
  min-width: 120px;
}
/* A day of another year is read whole. */
.fields > :first-child {
  flex: 1.4;
}
</style>
