<script setup lang="ts">
import type { MoneyPage } from '#contracts/replies/money'
import { COST_IDS, COST_NAMES, type CostId } from '#core/catalogue/rules/costs'
import { fromHundredths, toHundredths } from '#core/units'
import { takeOver } from '~/composables/takeOver'
import { useAttempt } from '~/composables/attempt'
import { useApi } from '~/composables/useApi'

/** What a visit costs beside its products; what is left empty is not counted. */
const props = defineProps<{ costs: MoneyPage['costs']; currency: string }>()
const emit = defineEmits<{ changed: [] }>()
const api = useApi()
const { busy, trouble, attempt } = useAttempt()
const asTyped = ({ cents }: MoneyPage['costs']): Record<string, string> =>
  Object.fromEntries(
    COST_IDS.map((id) => [id, cents[id] === undefined ? '' : String(fromHundredths(cents[id]))]),
  )
/** What the fields showed when they were last as the house has them. */
let base = asTyped(props.costs)
const typed = ref(asTyped(props.costs))
watch(
  () => props.costs,
  (costs) => {
    const now = asTyped(costs)
    takeOver(typed.value, now, base)
    base = now
  },
)
const number = (id: CostId) => Number((typed.value[id] ?? '').trim().replace(',', '.'))
const wrong = (id: CostId) => (number(id) >= 0 ? [] : ['an amount, like 0.45'])
const bad = computed(() => COST_IDS.some((id) => wrong(id).length > 0))
const save = () =>
  attempt(async () => {
    const sent = { ...typed.value }
    const told = COST_IDS.filter((id) => (sent[id] ?? '').trim() !== '')
    await api('/api/money/costs', {
      method: 'PUT',
      body: {
        version: props.costs.version,
        cents: Object.fromEntries(told.map((id) => [id, toHundredths(number(id))])),
      },
    })
    base = sent
    emit('changed')
  })
</script>

<template>
  <form class="panel stack" novalidate @submit.prevent="save">
    <h2>What a visit costs, in {{ currency }}</h2>
    <p class="soft">Products are counted from the shelf. What you leave empty is not counted.</p>
    <div class="grid">
      <VTextField
        v-for="id in COST_IDS"
        :key="id"
        v-model="typed[id]"
        :label="COST_NAMES[id]"
        inputmode="decimal"
        density="compact"
        :error-messages="wrong(id)"
        hide-details="auto"
      />
    </div>
    <p v-if="trouble" role="alert" class="tag stop">{{ trouble }}</p>
    <VBtn type="submit" color="primary" :loading="busy" :disabled="bad">Save the costs</VBtn>
  </form>
</template>

<style scoped>
.grid {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px 12px;
}
</style>
