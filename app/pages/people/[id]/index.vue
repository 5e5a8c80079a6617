<script setup lang="ts">
import type { ClientFile } from '#contracts/replies/clientFile'
import type { DayPage } from '#contracts/replies/day'
import { habitsAtHome } from '#core/load/home'
import { dayWords } from '~/composables/dates'
import { sayProblem, useApi } from '~/composables/useApi'
import { useSession } from '~/stores/session'

const api = useApi()
const session = useSession()
const id = String(useRoute().params.id)
const {
  data: file,
  error,
  refresh,
} = await useAsyncData(`file-${id}`, () => api<ClientFile>(`/api/people/${id}`))
useHead({ title: () => `${file.value?.client.name ?? 'Client'} · Oak Basin` })
const editing = ref(false)
const said = ref('')
const about = computed(() => {
  const { work, age, phone, email } = file.value?.client ?? {}
  const years = typeof age === 'number' ? `${age} years` : null
  return [work, years, phone, email].filter(Boolean).join(' · ')
})
/** Habits with a rhythm, which the ledger takes to go on until the next consultation. */
const habits = computed(() => {
  const words = habitsAtHome(file.value?.answers ?? {}).join(' and ')
  if (!words || !file.value?.toldAt) return ''
  const day = dayWords(file.value.toldAt, file.value.timeZone)
  return `${words[0]?.toUpperCase()}${words.slice(1)}, as answered on ${day}. It is assumed to go on.`
})
/** Booked from here: the day of today, its rooms, and this client. */
const booking = ref<DayPage | null>(null)
async function book() {
  try {
    booking.value = await api<DayPage>('/api/day')
  } catch (failed) {
    said.value = sayProblem(failed)
  }
}
async function booked() {
  booking.value = null
  await refresh()
}
async function edited() {
  editing.value = false
  await refresh()
}
</script>

<template>
  <div class="file">
    <p v-if="error" class="tag stop" role="alert">{{ sayProblem(error) }}</p>
    <template v-if="file">
      <header class="between">
        <div>
          <h1 class="name">
            <bdi>{{ file.client.name }}</bdi>
          </h1>
          <p class="soft">{{ about }}</p>
          <div class="row tags">
            <AlertTags v-if="file.answers" :answers="file.answers" :reactions="file.reactions">
              <span class="tag good">no alerts at the last consultation</span>
            </AlertTags>
            <span v-else class="tag watch">never consulted</span>
            <span v-for="own in file.client.tags" :key="own" class="tag calm">{{ own }}</span>
            <span v-if="file.client.medicines" class="tag watch">
              medicines: {{ file.client.medicines }}
            </span>
          </div>
        </div>
        <div class="row">
          <VBtn variant="outlined" @click="editing = true">Edit</VBtn>
          <VBtn
            :variant="file.next ? 'outlined' : 'flat'"
            :color="file.next ? undefined : 'primary'"
            @click="book"
            >Book a visit</VBtn
          >
          <VBtn v-if="file.next" color="primary" :to="`/visits/${file.next.id}/ask`">
            Open the next visit
          </VBtn>
        </div>
      </header>
      <p v-if="said" class="tag calm" role="status">{{ said }}</p>
      <CallsDue :calls="file.calls" @made="refresh" />
      <div class="cols">
        <FileVisits :file="file" />
        <section class="stack">
          <div class="panel">
            <h2>Skin load</h2>
            <p v-if="file.poured.length" class="soft">
              How much recent treatment the forehead and cheek still carry, day by day.
              {{ habits }}
            </p>
            <p v-else class="soft">No treatment in the last weeks. {{ habits }}</p>
            <ClientOnly v-if="file.poured.length">
              <LazyLedgerChart :poured="file.poured" :now="file.now" :age="file.client.age" />
            </ClientOnly>
          </div>
          <div v-if="file.waits.length" class="panel">
            <h2>Not before</h2>
            <NotBefore :waits="file.waits" />
          </div>
          <FileAfterwards :file="file" />
          <div v-if="file.client.notes" class="panel">
            <h2>Notes</h2>
            <p class="prewrap">{{ file.client.notes }}</p>
          </div>
          <FilesOfOne
            v-if="session.me?.role === 'owner'"
            :client-id="id"
            :zone="file.timeZone"
            @said="(text) => (said = text)"
            @changed="refresh"
          />
          <FilePractices
            :client-id="id"
            :name="file.client.name"
            :zone="file.timeZone"
            :may-change="session.me?.role === 'owner'"
            @said="(text) => (said = text)"
            @changed="refresh"
          />
          <FileActions
            :client-id="id"
            :name="file.client.name"
            :may-erase="session.me?.role === 'owner'"
            @said="(text) => (said = text)"
            @changed="refresh"
          />
        </section>
      </div>
      <LazyVisitBooking
        v-if="booking"
        :visit="null"
        :client="file.client"
        :day="booking.day"
        :zone="booking.timeZone"
        :rooms="booking.rooms"
        @close="booking = null"
        @saved="booked"
      />
      <LazyClientForm
        v-if="editing"
        :client="file.client"
        @close="editing = false"
        @saved="edited"
      />
    </template>
  </div>
</template>

<style scoped>
.file {
  padding: 20px 28px;
}
.name {
  overflow-wrap: anywhere;
}
.tags {
  margin: 8px 0;
  gap: 8px;
}
.cols {
  display: grid;
  grid-template-columns: minmax(0, 3fr) minmax(0, 2fr);
  gap: 16px;
  margin-top: 8px;
}
.cols a {
  color: var(--ink);
}
.prewrap {
  white-space: pre-wrap;
}
@media (max-width: 900px) {
  .cols {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
