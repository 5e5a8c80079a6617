<script setup lang="ts">
import type { Double, ImportLine } from '#contracts/replies/clientFile'
import {
  guessMapping,
  IMPORT_FIELDS,
  readCsv,
  readVcards,
  toClient,
  type ImportField,
  type Mapping,
  type ReadFile,
} from '#contracts/readClients'
import { useAttempt } from '~/composables/attempt'
import { dayAndClock } from '~/composables/dates'
import { useApi } from '~/composables/useApi'

const WORDS: Record<ImportField, string> = {
  name: 'Name',
  born: 'Born',
  phone: 'Phone',
  email: 'E-mail',
  work: 'Work',
  medicines: 'Medicines',
  notes: 'Notes',
}
const COLUMNS = IMPORT_FIELDS.map((value) => ({ value, title: WORDS[value] }))
useHead({ title: 'Clients from a file · Oak Basin' })
const api = useApi()
const { busy, trouble, attempt } = useAttempt()
const file = ref<ReadFile | null>(null)
const mapping = ref<Mapping>({})
const doubles = ref<Double[]>([])
/** Rows that are left out: doubles to begin with, and whatever is ticked off. */
const left = ref<Set<number>>(new Set())
const done = ref('')
const { data: imports, refresh } = await useAsyncData('imports', () =>
  api<ImportLine[]>('/api/clients/imports'),
)
const rows = computed(() => file.value?.rows.map((row) => toClient(row, mapping.value)) ?? [])
const good = computed(() =>
  rows.value.flatMap((row, at) => (row.wrong.length === 0 && !left.value.has(at) ? [row] : [])),
)
const bad = computed(() => rows.value.filter((row) => row.wrong.length > 0).length)

async function look() {
  done.value = ''
  const asked = rows.value.map(({ fields: { name, born, phone } }) => ({
    name: name.slice(0, 200),
    born: born.slice(0, 40),
    phone: phone.slice(0, 60),
  }))
  await attempt(async () => {
    doubles.value = await api('/api/clients/check', { method: 'POST', body: { rows: asked } })
    left.value = new Set(
      doubles.value.filter(({ why }) => why !== 'name alone').map(({ row }) => row),
    )
  })
}
async function choose(event: Event) {
  const chosen = (event.target as HTMLInputElement).files?.[0]
  if (!chosen) return
  file.value = null
  await attempt(async () => {
    const text = await chosen.text()
    const read = /^\s*BEGIN:VCARD/i.test(text) ? readVcards(text) : readCsv(text)
    if (!read) throw new Error('nothing in it')
    file.value = read
    mapping.value = guessMapping(read.headers)
  })
  if (file.value) await look()
  else trouble.value = 'Nothing could be read: a CSV file with a line of names, or vCards.'
}
const remap = (to: Mapping) => {
  mapping.value = to
  return look()
}
const leave = (at: number) => {
  const next = new Set(left.value)
  if (!next.delete(at)) next.add(at)
  left.value = next
}
const words = (count: number) => `${count} ${count === 1 ? 'client' : 'clients'}`
const take = () =>
  attempt(async () => {
    const body = {
      id: crypto.randomUUID(),
      rows: good.value.map(({ fields }) => ({ id: crypto.randomUUID(), ...fields })),
    }
    const { clients } = await api<{ clients: number }>('/api/clients/imports', {
      method: 'POST',
      body,
    })
    done.value = `${words(clients)} taken in.`
    file.value = null
    await refresh()
  })
const undo = (id: string) =>
  attempt(async () => {
    const { clients } = await api<{ clients: number }>(`/api/clients/imports/${id}`, {
      method: 'DELETE',
    })
    done.value = `${words(clients)} taken out again.`
    await refresh()
  })
</script>

<template>
  <div class="page stack">
    <div class="between">
      <h1>Clients from a file</h1>
      <VBtn variant="outlined" to="/people">To the people</VBtn>
    </div>
    <p>
      A CSV file with a line of names, or vCards. Nothing is taken in before you have seen it, and a
      whole file can be taken out again until one of its clients has a visit.
    </p>
    <label class="choose">
      <b>Choose a file</b>
      <input type="file" accept=".csv,.txt,.vcf,text/csv,text/vcard" @change="choose" />
    </label>
    <p v-if="trouble" role="alert" class="tag stop">{{ trouble }}</p>
    <p v-if="done" role="status" class="tag good">{{ done }}</p>
    <template v-if="file">
      <ImportMapping :headers="file.headers" :mapping="mapping" :fields="COLUMNS" @change="remap" />
      <ImportPreview :rows="rows" :doubles="doubles" :left="left" @leave="leave" />
      <div class="row">
        <VBtn color="primary" :loading="busy" :disabled="good.length === 0" @click="take">
          Import {{ words(good.length) }}
        </VBtn>
        <span v-if="bad" class="soft">{{ bad }} cannot be taken in as they stand.</span>
      </div>
    </template>
    <WholeFile v-if="!file" />
    <section v-if="imports?.length" class="panel">
      <h2>Taken in before</h2>
      <ul class="plainlist">
        <li v-for="own in imports" :key="own.id" class="between">
          <span>{{ dayAndClock(own.at, 'UTC') }} · {{ words(own.clients) }}</span>
          <VBtn variant="text" @click="undo(own.id)">Undo import</VBtn>
        </li>
      </ul>
    </section>
  </div>
</template>

<style scoped>
.page {
  padding: 20px 28px;
  max-width: 1100px;
}
.choose {
  display: flex;
  gap: 14px;
  align-items: center;
}
.plainlist li {
  align-items: center;
}
</style>
