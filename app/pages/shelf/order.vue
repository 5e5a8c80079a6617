<script setup lang="ts">
import { howMany } from '#core/words'
import type { OrderPage } from '#contracts/replies/shelf'
import Papa from 'papaparse'
import { STOCK } from '#core/catalogue/rules/stock'
import { KIND_NAMES } from '#core/catalogue/kinds'
import { fromHundredths } from '#core/units'
import { isoDayWords } from '~/composables/dates'
import { offerFile } from '~/composables/files'
import { cents } from '~/composables/money'
import { sayProblem, useApi } from '~/composables/useApi'

/** How long everything on the shelf lasts, what will not be used in time, and what to order. */
useHead({ title: 'To order · Oak Basin' })
const api = useApi()
const { data, error } = await useAsyncData('order', () => api<OrderPage>('/api/shelf/order'))
const all = ref(false)
const lines = computed(() =>
  (data.value?.lines ?? []).filter(
    ({ packs, unused, runsOut }) => all.value || packs > 0 || unused.length > 0 || runsOut !== null,
  ),
)
const toOrder = computed(() => (data.value?.lines ?? []).filter(({ packs }) => packs > 0))
const sum = computed(() => toOrder.value.reduce((total, line) => total + line.cents, 0))
const money = (amount: number) => cents(amount, data.value?.currency ?? 'EUR')
const ml = (amount: number) => `${Math.round(amount)} mL`
const packs = (count: number) => howMany(count, 'pack')
const unusedWords = ({ code, day, millilitres }: OrderPage['lines'][number]['unused'][number]) =>
  `${ml(millilitres)} of ${code} will be over on ${isoDayWords(day)}`
function takeFile() {
  const rows = toOrder.value.map((line) => [
    line.name,
    KIND_NAMES[line.kind],
    line.packs,
    line.packMillilitres,
    fromHundredths(line.cents).toFixed(2),
  ])
  const fields = ['name', 'kind', 'packs', 'pack mL', `price ${data.value?.currency ?? ''}`.trim()]
  offerFile(
    Papa.unparse({ fields, data: rows }, { newline: '\r\n', escapeFormulae: true }),
    `order-${data.value?.today ?? ''}.csv`,
    'text/csv',
  )
}
</script>

<template>
  <div class="page">
    <div class="between">
      <h1>To order</h1>
      <div class="row">
        <VBtn variant="outlined" :disabled="!toOrder.length" @click="takeFile"
          >Order list as CSV</VBtn
        >
        <VBtn variant="outlined" to="/shelf">To the shelf</VBtn>
      </div>
    </div>
    <p v-if="error" role="alert" class="tag stop">{{ sayProblem(error) }}</p>
    <template v-if="data">
      <p class="soft how">{{ STOCK.sentence }} {{ data.booked }} visits are booked in that time.</p>
      <div class="panel">
        <div class="between">
          <h2>
            <template v-if="toOrder.length"
              >{{ howMany(toOrder.length, 'product') }}, {{ money(sum) }}</template
            ><template v-else>Nothing has to be ordered</template>
          </h2>
          <VSwitch v-model="all" label="Everything on the shelf" hide-details density="compact" />
        </div>
        <p v-if="!lines.length" class="soft">Nothing runs out within a year.</p>
        <VTable v-else v-scrolls density="compact" class="plain">
          <thead>
            <tr>
              <th>Product</th>
              <th>Left</th>
              <th>Uses left</th>
              <th>Runs out</th>
              <th>Will not be used in time</th>
              <th>Order</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="line in lines" :key="line.productId" class="figures">
              <td>
                <b>{{ line.name }}</b> <span class="soft">{{ KIND_NAMES[line.kind] }}</span>
              </td>
              <td>
                {{ ml(line.leftMillilitres) }}<span v-if="line.low" class="tag watch">low</span>
              </td>
              <td>{{ line.usesLeft ?? '–' }}</td>
              <td class="day">{{ line.runsOut ? isoDayWords(line.runsOut) : '–' }}</td>
              <td>
                <div v-for="over in line.unused" :key="over.code + over.day">
                  {{ unusedWords(over) }}
                </div>
              </td>
              <td>
                <b v-if="line.packs">{{ packs(line.packs) }}</b><span
                  v-if="line.cents"
                  class="soft"
                >
                  {{ money(line.cents) }}</span
                >
              </td>
            </tr>
          </tbody>
        </VTable>
      </div>
    </template>
  </div>
</template>

<style scoped>
.page {
  padding: 20px 28px;
}
.tag {
  margin-left: 8px;
}
.day {
  white-space: nowrap;
}
.how {
  margin: 6px 0 12px;
}
</style>
