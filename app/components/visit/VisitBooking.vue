<script setup lang="ts">
import { watchDebounced } from '@vueuse/core'
import { DateTime } from 'luxon'
import type { PersonLine } from '#contracts/people'
import { findPeople } from '~/composables/people'
import { fieldProblem, sayProblem, useApi } from '~/composables/useApi'

const props = defineProps<{
  visit: {
    id: string
    version: number
    staffId: string
    roomId: string
    startsAt: number
    minutes: number
    client: string
  } | null
  day: string
  zone: string
  rooms: { id: string; name: string }[]
}>()
const emit = defineEmits<{ close: []; saved: [] }>()
const api = useApi()
const staff = ref<{ id: string; name: string }[]>([])
const people = ref<PersonLine[]>([])
const sought = ref('')
const at = props.visit
  ? DateTime.fromMillis(props.visit.startsAt, { zone: props.zone })
  : DateTime.fromISO(props.day, { zone: props.zone }).set({ hour: 10 })
const form = reactive({
  clientId: '',
  staffId: props.visit?.staffId ?? '',
  roomId: props.visit?.roomId ?? props.rooms[0]?.id ?? '',
  day: at.toISODate() ?? props.day,
  time: at.toFormat('HH:mm'),
  minutes: String(props.visit?.minutes ?? 60),
})
const id = crypto.randomUUID()
const trouble = ref<unknown>(null)
const busy = ref(false)
onMounted(async () => {
  ;[staff.value, people.value] = await Promise.all([
    api<{ id: string; name: string }[]>('/api/staff'),
    findPeople(api, ''),
  ])
  if (!form.staffId) form.staffId = staff.value[0]?.id ?? ''
})

// The server finds people: the list may be longer than any page.
watchDebounced(
  sought,
  async (words) => {
    people.value = await findPeople(api, words)
  },
  { debounce: 200 },
)

async function save(cancel = false) {
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
  }
  try {
    if (props.visit)
      await api(`/api/visits/${props.visit.id}`, {
        method: 'PATCH',
        body: cancel
          ? { version: props.visit.version, cancelled: true }
          : { version: props.visit.version, ...common },
      })
    else
      await api('/api/visits', { method: 'POST', body: { id, clientId: form.clientId, ...common } })
    emit('saved')
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
        <h2>{{ visit ? `Move ${visit.client}` : 'Add a visit' }}</h2>
        <VAutocomplete
          v-if="!visit"
          v-model="form.clientId"
          v-model:search="sought"
          label="Client"
          :items="people"
          no-filter
          item-title="name"
          item-value="id"
          :error-messages="fieldProblem(trouble, 'clientId')"
        />
        <div class="row fields">
          <VTextField
            v-model="form.day"
            type="date"
            label="Day"
            :error-messages="fieldProblem(trouble, 'startsAt')"
          /><VTextField v-model="form.time" type="time" label="Time" /><VTextField
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
        <p v-if="trouble" role="alert" class="tag stop">{{ sayProblem(trouble) }}</p>
        <div class="row">
          <VBtn type="submit" color="primary" :loading="busy">{{
            visit ? 'Move the visit' : 'Add the visit'
          }}</VBtn><VBtn variant="outlined" @click="emit('close')">Leave as it is</VBtn
          ><VBtn v-if="visit" variant="text" color="error" @click="save(true)"
            >Cancel this visit</VBtn
          >
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
</style>
