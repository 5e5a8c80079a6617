<script setup lang="ts">
import type { MoneyPage } from '#contracts/replies/money'
import { fromHundredths, toHundredths } from '#core/units'
import { useAttempt } from '~/composables/attempt'
import { cents } from '~/composables/money'
import { useApi } from '~/composables/useApi'

/** The price list. What was billed before a change stays as it was billed. */
const props = defineProps<{ prices: MoneyPage['prices']; currency: string }>()
const emit = defineEmits<{ changed: [] }>()
const api = useApi()
const { busy, trouble, attempt } = useAttempt()
type Price = MoneyPage['prices'][number]
const form = ref<{ price: Price; amount: string } | null>(null)
const begin = () => {
  const price = { id: crypto.randomUUID(), name: '', cents: 0, retired: false, version: 0 }
  form.value = { price, amount: '' }
}
const edit = (price: Price) => {
  form.value = { price: { ...price }, amount: String(fromHundredths(price.cents)) }
}
const amount = computed(() => Number((form.value?.amount ?? '').trim().replace(',', '.')))
const fit = computed(
  () => form.value !== null && form.value.price.name.trim() !== '' && amount.value > 0,
)
const keep = (price: Price) =>
  attempt(async () => {
    await api('/api/money/prices', { method: 'PUT', body: price })
    form.value = null
    emit('changed')
  })
const shown = computed(() => props.prices.filter(({ retired }) => !retired))
</script>

<template>
  <section class="panel stack">
    <h2>Price list</h2>
    <p v-if="!shown.length" class="soft">No price yet.</p>
    <ul class="plainlist">
      <li v-for="price in shown" :key="price.id" class="between line">
        <b>{{ price.name }}</b>
        <span class="row keep">
          <span class="figures">{{ cents(price.cents, currency) }}</span>
          <VBtn variant="text" @click="edit(price)"
            >Change<span class="sr"> {{ price.name }}</span></VBtn
          >
          <VBtn variant="text" :disabled="busy" @click="keep({ ...price, retired: true })"
            >Remove<span class="sr"> {{ price.name }}</span></VBtn
          >
        </span>
      </li>
    </ul>
    <form
      v-if="form"
      class="row"
      novalidate
      @submit.prevent="keep({ ...form.price, cents: toHundredths(amount) })"
    >
      <VTextField v-model="form.price.name" label="Name" maxlength="80" hide-details />
      <VTextField
        v-model="form.amount"
        :label="`Price, ${currency}`"
        inputmode="decimal"
        hide-details
      />
      <VBtn type="submit" color="primary" :loading="busy" :disabled="!fit">Save</VBtn>
      <VBtn variant="text" @click="form = null">Cancel</VBtn>
    </form>
    <VBtn v-else variant="outlined" @click="begin">Add a price</VBtn>
    <p v-if="trouble" role="alert" class="tag stop">{{ trouble }}</p>
  </section>
</template>

<style scoped>
.keep {
  flex-wrap: nowrap;
  gap: 0;
}
.line {
  flex-wrap: nowrap;
  border-top: 1px solid var(--line);
  align-items: center;
}
</style>
