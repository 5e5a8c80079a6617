<script setup lang="ts">
import { asRead } from '#core/dateForms'
import type { HousePage } from '#contracts/replies/house'
import type { Earned, MoneyPage } from '#contracts/replies/money'
import { sayProblem, useApi } from '~/composables/useApi'

/** Costs, prices, and what a month of visits has earned: the owner's page. */
useHead({ title: 'Costs and prices · Oak Basin' })
const api = useApi()
const { data: house } = await useAsyncData('house', () => api<HousePage>('/api/house'))
const { data, error, refresh } = await useAsyncData('money', () => api<MoneyPage>('/api/money'))
const currency = computed(() => house.value?.house.currency ?? 'EUR')
const month = ref(new Date().toISOString().slice(0, 7))
const earnedUrl = computed(() => `/api/money/earned?month=${month.value}`)
const { data: earned, error: unread } = await useAsyncData(
  'earned',
  () => api<Earned>(earnedUrl.value),
  { watch: [month] },
)
/** A month on or back. */
function turn(by: 1 | -1) {
  const at = new Date(`${month.value}-01T00:00:00Z`)
  at.setUTCMonth(at.getUTCMonth() + by)
  month.value = at.toISOString().slice(0, 7)
}
const monthWords = computed(() => asRead('month', Date.parse(`${month.value}-01T00:00:00Z`), 'UTC'))
</script>

<template>
  <div class="page">
    <div class="between">
      <h1>Costs and prices</h1>
      <VBtn variant="outlined" to="/practice">To the Practice page</VBtn>
    </div>
    <p v-if="error || unread" role="alert" class="tag stop">{{ sayProblem(error ?? unread) }}</p>
    <div v-if="data" class="cols">
      <section class="panel stack">
        <div class="between">
          <h2>{{ monthWords }}</h2>
          <span class="row">
            <VBtn variant="text" @click="turn(-1)">Month before</VBtn>
            <VBtn variant="text" @click="turn(1)">Next month</VBtn>
          </span>
        </div>
        <EarnedTable v-if="earned" :earned="earned" :currency="currency" />
      </section>
      <div class="stack">
        <PriceList :prices="data.prices" :currency="currency" @changed="refresh" />
        <CostsForm :costs="data.costs" :currency="currency" @changed="refresh" />
      </div>
    </div>
  </div>
</template>

<style scoped>
.page {
  padding: 20px 28px;
}
.cols {
  display: grid;
  grid-template-columns: 3fr 2fr;
  gap: 16px;
  align-items: start;
  margin-top: 12px;
}
@media (max-width: 1000px) {
  .cols {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
