<script setup lang="ts">
import type { MoneyPage } from '#contracts/replies/money'
import { COST_IDS, COST_NAMES, type CostId } from '#core/catalogue/rules/costs'
import { fromHundredths, toHundredths } from '#core/units'
import { useAttempt } from '~/composables/attempt'
import { useApi } from '~/composables/useApi'

/** What a visit costs beside its products; what is left empty is not counted. */
const props = defineProps<{ costs: MoneyPage['costs']; currency: string }>()
const emit = defineEmits<{ changed: [] }>()
const api = useApi()
const { busy, trouble, attempt } = useAttempt()
const typed = ref<Record<string, string>>({})
watch(
  () => props.costs,
  ({ cents }) => {
    typed.value = Object.fromEntries(
      COST_IDS.map((id) => [id, cents[id] === undefined ? '' : String(fromHundredths(cents[id]))]),
    )
  },
  { immediate: true },
)
const number = (id: CostId) => Number((typed.value[id] ?? '').trim().replace(',', '.'))
const wrong = (id: CostId) => (number(id) >= 0 ? [] : ['an amount, like 0.45'])
const bad = computed(() => COST_IDS.some((id) => wrong(id).length > 0))
const save = () =>
  attempt(async () => {
    const told = COST_IDS.filter((id) => (typed.value[id] ?? '').trim() !== '')
    await api('/api/money/costs', {
      method: 'PUT',
      body: {
        version: props.costs.version,
        cents: Object.fromEntries(told.map((id) => [id, toHundredths(number(id))])),
      },
    })
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
