<script setup lang="ts">
import { habitsAtHome } from '#core/load/home'
import { FINDINGS, FINDING_ORDER } from '#core/catalogue/consultation/findings'
import type { Answers } from '#core/screening/answers'
import type { Poured } from '#core/load/ledger'
import { dayAndClock, dayWords } from '~/composables/dates'
import { sayProblem, useApi } from '~/composables/useApi'
import { offerFile } from '~/composables/files'
import { useSession } from '~/stores/session'

interface File {
  now: number
  today: string
  timeZone: string
  client: {
    id: string
    name: string
    born: string | null
    age: number | null
    phone: string | null
    email: string | null
    work: string | null
    medicines: string
    notes: string
    faceHeightMm: number
    faceWidthMm: number
    version: number
    erased: boolean
  }
  answers: Answers | null
  toldAt: number | null
  visits: {
    id: string
    startsAt: number
    minutes: number
    status: string
    staff: string
    work: string | null
  }[]
  next: { id: string; startsAt: number; minutes: number; room: string; staff: string } | null
  poured: Poured[]
  imports: {
    id: string
    head: string
    holds: boolean
    ours: boolean
    at: number
    house: string
    startsAt: string
  }[]
}
const api = useApi()
const session = useSession()
const id = String(useRoute().params.id)
const {
  data: file,
  error,
  refresh,
} = await useAsyncData(`file-${id}`, () => api<File>(`/api/people/${id}`))
useHead({ title: () => `${file.value?.client.name ?? 'Client'} · Oak Basin` })
const editing = ref(false)
const erasing = ref(false)
const said = ref('')
const alerts = computed(() =>
  FINDING_ORDER.flatMap((f) => {
    const a = file.value?.answers?.[f]
    const word = FINDINGS[f].alert
    if (!a || a.say === 'no' || !word) return []
    return [
      {
        f,
        text:
          a.say === 'unsure'
            ? `${word}: unsure`
            : f === 'allergy' && a.substances?.length
              ? `allergy: ${a.substances.join(', ')}`
              : word,
      },
    ]
  }),
)
/** Habits with a rhythm, which the ledger takes to go on until the next consultation. */
const habits = computed(() => habitsAtHome(file.value?.answers ?? {}))
const stopOf = (status: string) =>
  status === 'sealed' || status === 'closing' ? 'close' : status === 'treating' ? 'treat' : 'ask'

const takeOut = async () =>
  offerFile(
    JSON.stringify(await api<unknown>(`/api/people/${id}/export`), null, 2),
    'client.json',
    'application/json',
  )
async function bringIn(event: Event) {
  const field = event.target as HTMLInputElement
  const chosen = field.files?.[0]
  if (!chosen) return
  try {
    const r = await api<{ holds: boolean; ours: boolean }>(`/api/people/${id}/imports`, {
      method: 'POST',
      body: { id: crypto.randomUUID(), text: await chosen.text() },
    })
    said.value = r.ours
      ? 'Taken in: one of our own records, unchanged.'
      : r.holds
        ? 'Taken in: sealed by another house, and the seal holds.'
        : 'Taken in, but its seal is broken: do not rely on it.'
    await refresh()
  } catch (e) {
    said.value = sayProblem(e)
  }
  field.value = ''
}
async function erase() {
  try {
    await api(`/api/people/${id}/erase`, { method: 'POST' })
    said.value = 'Erased.'
    await refresh()
  } catch (e) {
    said.value = sayProblem(e)
  }
  erasing.value = false
}
</script>

<template>
  <div class="file">
    <p v-if="error" class="tag stop" role="alert">{{ sayProblem(error) }}</p>
    <template v-if="file">
      <header class="between">
        <div>
          <h1>{{ file.client.name }}</h1>
          <p class="soft">
            {{
              [
                file.client.work,
                file.client.age === null ? null : `${file.client.age} years`,
                file.client.phone,
                file.client.email,
              ]
                .filter(Boolean)
                .join(' · ')
            }}
          </p>
          <div class="row tags">
            <span v-for="a in alerts" :key="a.f" class="tag watch">{{ a.text }}</span><span
              v-if="file.client.medicines"
              class="tag watch"
              >medicines: {{ file.client.medicines }}</span
            ><span v-if="!alerts.length && file.answers" class="tag good"
              >no alerts at the last consultation</span
            ><span v-if="!file.answers" class="tag watch">never consulted</span>
          </div>
        </div>
        <div class="row">
          <VBtn variant="outlined" @click="editing = true">Edit</VBtn
          ><VBtn v-if="file.next" color="primary" :to="`/visits/${file.next.id}/ask`"
            >Open the next visit</VBtn
          >
        </div>
      </header>
      <p v-if="said" class="tag calm" role="status">{{ said }}</p>
      <div class="cols">
        <section class="panel">
          <h2>Next visit</h2>
          <p v-if="file.next">
            {{ dayAndClock(file.next.startsAt, file.timeZone) }} · {{ file.next.room }} ·
            {{ file.next.staff }} · {{ file.next.minutes }} min
          </p>
          <p v-else class="soft">None booked. Add one from Day.</p>
          <h2 class="mt-4">Visits</h2>
          <table class="plain">
            <thead>
              <tr>
                <th>Day</th>
                <th>Done</th>
                <th>With</th>
                <th>State</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="v in file.visits" :key="v.id">
                <td class="figures">
                  <NuxtLink :to="`/visits/${v.id}/${stopOf(v.status)}`">{{
                    dayWords(v.startsAt, file.timeZone)
                  }}</NuxtLink>
                </td>
                <td>{{ v.work ?? '–' }}</td>
                <td>{{ v.staff.split(' ')[0] }}</td>
                <td>{{ v.status }}</td>
              </tr>
            </tbody>
          </table>
          <template v-if="file.imports.length"
            ><h2 class="mt-4">From elsewhere</h2>
            <ul class="plainlist">
              <li v-for="f in file.imports" :key="f.id">
                {{ f.startsAt.slice(0, 10) }} · {{ f.house }} ·
                <b>{{
                  f.ours ? 'our own seal' : f.holds ? 'foreign seal, holds' : 'seal broken'
                }}</b>
              </li>
            </ul></template
          >
        </section>
        <section class="stack">
          <div class="panel">
            <h2>The ledger</h2>
            <p class="soft">
              What forehead and cheek have been asked to bear, draining over time. House scale.{{
                habits.length && file.toldAt
                  ? ` ${habits.join(' and ').replace(/^./, (x) => x.toUpperCase())}, as told on ${dayWords(file.toldAt, file.timeZone)}, taken to go on.`
                  : ''
              }}
            </p>
            <ClientOnly
              ><LazyLedgerChart :poured="file.poured" :now="file.now" :age="file.client.age"
            /></ClientOnly>
          </div>
          <div v-if="file.client.notes" class="panel">
            <h2>Notes</h2>
            <p class="prewrap">{{ file.client.notes }}</p>
          </div>
          <div class="panel row">
            <VBtn variant="outlined" @click="takeOut">Take out the whole file</VBtn
            ><label class="filebtn"
              >Take in a visit file<input
                type="file"
                accept="application/json"
                @change="bringIn" /></label
            ><VBtn
              v-if="session.me?.role === 'owner'"
              variant="text"
              color="error"
              @click="erasing = true"
              >Erase</VBtn
            >
          </div>
          <p class="soft small">Every look at this file leaves a line in the audit.</p>
        </section>
      </div>
      <LazyClientForm
        v-if="editing"
        :client="file.client"
        @close="editing = false"
        @saved="
          async () => {
            editing = false
            await refresh()
          }
        "
      />
      <VDialog v-model="erasing" aria-label="Erase this client"
        ><VCard class="pa-5 stack"
          ><h2>Erase {{ file.client.name }}?</h2>
          <p>
            Everything of this client is wiped. Sealed records keep their proof, not their content.
            While the law asks to keep them, nothing is wiped.
          </p>
          <div class="row">
            <VBtn color="primary" @click="erasing = false">Keep</VBtn
            ><VBtn variant="outlined" color="error" @click="erase">Erase for good</VBtn>
          </div></VCard
        ></VDialog
      >
    </template>
  </div>
</template>

<style scoped>
.file {
  padding: 20px 28px;
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
.small {
  font-size: 0.875rem;
}
.filebtn {
  border: 1px solid var(--oak-light);
  border-radius: 8px;
  padding: 9px 16px;
  cursor: pointer;
  font-weight: 500;
}
.filebtn input {
  position: absolute;
  opacity: 0;
  width: 1px;
  height: 1px;
}
.filebtn:focus-within {
  outline: 3px solid var(--water);
}
@media (max-width: 900px) {
  .cols {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
