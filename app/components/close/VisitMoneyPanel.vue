<script setup lang="ts">
import type { VisitMoney } from '#contracts/replies/money'
import { byKind, COST_WORDS } from '#core/cost/visitCost'
import { useAttempt } from '~/composables/attempt'
import { cents } from '~/composables/money'
import { useApi } from '~/composables/useApi'

/** What this visit cost the house, what it is billed as, and what is left: the owner's alone. */
const props = defineProps<{ visitId: string; currency: string; sealed: boolean }>()
const api = useApi()
const { busy, trouble, attempt } = useAttempt()
const money = ref<VisitMoney | null>(null)
const load = () =>
  attempt(async () => {
    money.value = await api<VisitMoney>(`/api/visits/${props.visitId}/money`)
  })
onMounted(load)
watch(() => props.sealed, load)
const kinds = computed(() => (money.value ? byKind(money.value.lines) : []))
const offered = computed(() =>
  (money.value?.prices ?? [])
    .filter(({ id, retired }) => !retired || id === money.value?.price?.id)
    .map(({ id, name }) => ({ value: id, title: name })),
)
const bill = async (priceId: string | null) => {
  const done = await attempt(() =>
    api(`/api/visits/${props.visitId}/price`, { method: 'PUT', body: { priceId } }),
  )
  if (done) await load()
}
const say = (amount: number) => cents(amount, props.currency)
</script>

<template>
  <section v-if="money" class="panel noprint stack">
    <h2>{{ money.done ? 'What it cost' : 'What it will cost' }}</h2>
    <dl class="figures sums">
      <template v-for="{ what, cents: amount } in kinds" :key="what">
        <dt>{{ COST_WORDS[what] }}</dt>
        <dd>{{ say(amount) }}</dd>
      </template>
      <dt><b>together</b></dt>
      <dd>
        <b>{{ say(money.cents) }}</b>
      </dd>
      <template v-if="money.price">
        <dt>billed</dt>
        <dd>{{ say(money.price.cents) }}</dd>
        <dt><b>earned</b></dt>
        <dd>
          <b>{{ say(money.price.cents - money.cents) }}</b>
        </dd>
      </template>
    </dl>
    <VSelect
      :model-value="money.price?.id ?? null"
      :items="offered"
      label="Billed as"
      density="compact"
      clearable
      hide-details
      :loading="busy"
      @update:model-value="(id) => bill(id ?? null)"
    />
    <p v-if="!offered.length" class="soft">
      No price yet: add one under <NuxtLink to="/practice/money">Costs and prices</NuxtLink>.
    </p>
    <p v-if="trouble" role="alert" class="tag stop">{{ trouble }}</p>
  </section>
</template>

<style scoped>
.sums {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 2px 12px;
}
a {
  color: var(--ink);
}
</style>
