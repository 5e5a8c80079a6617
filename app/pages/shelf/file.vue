<script setup lang="ts">
import { howMany } from '#core/words'
import { readCsv, type ReadFile } from '#contracts/addressBook/csv'
import { encodingOf, textOf } from '#contracts/addressBook/text'
import {
  guessProducts,
  PRODUCT_COLUMNS,
  readProduct,
  writeProducts,
  type ProductMapping,
} from '#contracts/productFile'
import type { ShelfRow } from '#contracts/replies/shelf'
import { useAttempt } from '~/composables/attempt'
import { offerFile } from '~/composables/files'
import { wholeShelf } from '~/composables/shelf/shelfPage'
import { useApi } from '~/composables/useApi'

/** Products, or prices alone, from a CSV file and into one. */
useHead({ title: 'Products from a file · Oak Basin' })
const api = useApi()
const { busy, trouble, attempt } = useAttempt()
const file = ref<ReadFile | null>(null)
const mapping = ref<ProductMapping>({})
const shelf = shallowRef<ShelfRow[]>([])
const done = ref('')
const rows = computed(() =>
  (file.value?.rows ?? []).map((row) =>
    readProduct(row, mapping.value, shelf.value, () => crypto.randomUUID()),
  ),
)
const body = computed(() => ({
  add: rows.value.flatMap(({ add }) => add ?? []),
  change: rows.value.flatMap(({ change }) => change ?? []),
}))
const bad = computed(() => rows.value.filter(({ wrong }) => wrong.length > 0).length)
const doing = computed(
  () =>
    `Import ${howMany(body.value.add.length, 'new product')}, change ${howMany(body.value.change.length, 'product')}`,
)
const columns = PRODUCT_COLUMNS.map((value) => ({ value, title: value }))

async function choose(event: Event) {
  const chosen = (event.target as HTMLInputElement).files?.[0]
  if (!chosen) return
  file.value = null
  done.value = ''
  await attempt(async () => {
    shelf.value = await wholeShelf(api, '&retired=yes')
    const bytes = new Uint8Array(await chosen.arrayBuffer())
    const read = readCsv(textOf(bytes, encodingOf(bytes)))
    if (!read) throw new Error('nothing in it')
    mapping.value = guessProducts(read.headers)
    file.value = read
  })
  if (!file.value)
    trouble.value = 'Nothing could be read. Choose a CSV file whose first line names the columns.'
}
const take = () =>
  attempt(async () => {
    const said = await api<{ added: number; changed: number }>('/api/products/imports', {
      method: 'POST',
      body: body.value,
    })
    done.value = `${howMany(said.added, 'product')} imported, ${said.changed} changed.`
    file.value = null
  })
const out = () =>
  attempt(async () => offerFile(writeProducts(await wholeShelf(api)), 'products.csv', 'text/csv'))
</script>

<template>
  <div class="page stack">
    <div class="between">
      <h1>Products from and to a file</h1>
      <VBtn variant="outlined" to="/shelf">To the shelf</VBtn>
    </div>
    <p>
      A CSV file whose first line names the columns. Known products are changed where the file
      differs; other names become new products. A price list needs only name and price. You see a
      preview before anything is imported.
    </p>
    <div class="row">
      <label class="row">
        <b>Choose a file</b>
        <input type="file" accept=".csv,.txt,text/csv" @change="choose" />
      </label>
      <VBtn variant="outlined" :loading="busy" @click="out">The shelf as a file</VBtn>
    </div>
    <p v-if="trouble" role="alert" class="tag stop">{{ trouble }}</p>
    <p v-if="done" role="status" class="tag good">{{ done }}</p>
    <template v-if="file">
      <ImportMapping
        :headers="file.headers"
        :mapping="mapping"
        :fields="columns"
        @change="mapping = $event"
      />
      <section class="panel" aria-label="What the file holds">
        <VTable v-scrolls density="compact" class="plain">
          <thead>
            <tr>
              <th>Product</th>
              <th>Result</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(row, at) in rows" :key="at">
              <td>
                <bdi>{{ row.name || '(no name)' }}</bdi>
              </td>
              <td>
                <span v-if="row.wrong.length" class="tag stop">{{ row.wrong.join('; ') }}</span>
                <span v-else-if="row.words.length">{{ row.words.join('; ') }}</span>
                <span v-else class="soft">as it is</span>
              </td>
            </tr>
          </tbody>
        </VTable>
      </section>
      <div class="row">
        <VBtn
          color="primary"
          :loading="busy"
          :disabled="body.add.length + body.change.length === 0"
          @click="take"
          >{{ doing }}</VBtn
        >
        <span v-if="bad" class="soft">{{ howMany(bad, 'row') }} cannot be imported.</span>
      </div>
    </template>
  </div>
</template>

<style scoped>
.page {
  padding: 20px 28px;
  max-width: 1100px;
}
.tag {
  white-space: normal;
}
</style>
