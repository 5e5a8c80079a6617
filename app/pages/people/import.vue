<script setup lang="ts">
import { howMany } from '#core/words'
import type { ImportLine } from '#contracts/replies/clientFile'
import { IMPORT_FIELDS, type Mapping } from '#contracts/addressBook/columns'
import { ENCODING_IDS, ENCODINGS, type Encoding } from '#contracts/addressBook/text'
import { useAttempt } from '~/composables/attempt'
import { IMPORT_WORDS, useClientImport } from '~/composables/clientImport'
import { dayAndClock } from '~/composables/dates'
import { useApi } from '~/composables/useApi'

const COLUMNS = IMPORT_FIELDS.map((value) => ({ value, title: IMPORT_WORDS[value] }))
const CODES = ENCODING_IDS.map((value) => ({ value, title: ENCODINGS[value] }))
const ORDERS = [
  { value: 'day first', title: 'day/month/year' },
  { value: 'month first', title: 'month/day/year' },
]
useHead({ title: 'Clients from a file · Oak Basin' })
const api = useApi()
const { busy, trouble, attempt } = useAttempt()
const reading = useClientImport()
const { file, rows, good, bad } = reading
const done = ref('')
const { data: imports, refresh } = await useAsyncData('imports', () =>
  api<ImportLine[]>('/api/clients/imports'),
)
async function choose(event: Event) {
  const chosen = (event.target as HTMLInputElement).files?.[0]
  if (!chosen) return
  done.value = ''
  let found = false
  const tried = await attempt(async () => {
    found = await reading.choose(chosen)
  })
  if (tried && !found)
    trouble.value =
      'Nothing could be read. Choose a CSV file whose first line names the columns, or vCards.'
}
const remap = (to: Mapping) => attempt(() => reading.remap(to))
const recode = (to: Encoding) => attempt(() => reading.recode(to))
const words = (count: number) => howMany(count, 'client')
/** Said while it runs: all of it comes in, or none. */
const taking = ref('')
const take = () =>
  attempt(async () => {
    taking.value = `Importing ${howMany(good.value.length, 'client')}. You may leave this page: it goes on.`
    const body = {
      id: crypto.randomUUID(),
      rows: good.value.map(({ fields }) => ({ id: crypto.randomUUID(), ...fields })),
    }
    const { clients } = await api<{ clients: number }>('/api/clients/imports', {
      method: 'POST',
      body,
    })
    done.value = `${words(clients)} imported.`
    reading.forget()
    await refresh()
  }).finally(() => {
    taking.value = ''
  })
const undo = (id: string) =>
  attempt(async () => {
    const { clients } = await api<{ clients: number }>(`/api/clients/imports/${id}`, {
      method: 'DELETE',
    })
    done.value = `${words(clients)} removed again.`
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
      A CSV file whose first line names the columns, or vCards. You see a preview before anything is
      imported. An import can be undone until one of its clients has a visit.
    </p>
    <label class="choose">
      <b>Choose a file</b>
      <input type="file" accept=".csv,.txt,.vcf,text/csv,text/vcard" @change="choose" />
    </label>
    <p v-if="trouble" role="alert" class="tag stop">{{ trouble }}</p>
    <p v-if="done" role="status" class="tag good">{{ done }}</p>
    <p v-else-if="taking" role="status" class="tag calm">{{ taking }}</p>
    <template v-if="file">
      <div class="row">
        <VSelect
          :model-value="reading.encoding.value"
          :items="CODES"
          label="Encoding: change it if letters look wrong"
          density="compact"
          hide-details
          @update:model-value="recode"
        />
        <VSelect
          v-if="reading.asksOrder.value"
          v-model="reading.order.value"
          :items="ORDERS"
          label="How birthdays are written"
          density="compact"
          hide-details
        />
      </div>
      <ImportMapping
        :headers="file.headers"
        :mapping="reading.mapping.value"
        :fields="COLUMNS"
        @change="remap"
      />
      <ImportPreview
        :rows="rows"
        :lines="file.lines"
        :doubles="reading.doubles.value"
        :twice="reading.twice.value"
        :left="reading.left.value"
        @leave="reading.leave"
        @mend="reading.mend"
      />
      <div class="row">
        <VBtn color="primary" :loading="busy" :disabled="good.length === 0" @click="take">
          Import {{ words(good.length) }}
        </VBtn>
        <span v-if="bad" class="soft">{{ bad }} cannot be imported.</span>
      </div>
    </template>
    <WholeFile v-if="!file" />
    <section v-if="imports?.length" class="panel">
      <h2>Earlier imports</h2>
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
.choose input {
  max-width: 100%;
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
