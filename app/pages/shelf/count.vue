<script setup lang="ts">
import { howMany } from '#core/words'
import { KIND_NAMES } from '#core/catalogue/kinds'
import { asCounted, countedIn } from '#core/dosing/byHand'
import { useAttempt } from '~/composables/attempt'
import { wholeShelf } from '~/composables/shelf/shelfPage'
import { useApi } from '~/composables/useApi'
import { useDraft } from '~/composables/useDraft'

/** Every bottle with what it should hold; what it does hold is typed beside it, then kept at once. */
useHead({ title: 'Count the shelf · Oak Basin' })
const api = useApi()
const { busy, trouble, attempt } = useAttempt()
const { data, refresh } = await useAsyncData('count', () => wholeShelf(api, '&sort=kind'))
const counts = ref<Record<string, string>>({})
const reason = ref('stock-take')
const done = ref('')
const draft = useDraft({
  key: () => 'shelf-count',
  value: () => counts.value,
  restore: (kept) => {
    counts.value = kept
  },
  open: () => true,
})
onMounted(draft.start)
const rows = computed(() =>
  (data.value ?? []).flatMap(({ product, lots }) => lots.map((lot) => ({ product, lot }))),
)
const number = (typed: string) => Number(typed.trim().replace(',', '.'))
const counted = computed(() =>
  rows.value.flatMap(({ lot, product }) => {
    const typed = counts.value[lot.id]?.trim() ?? ''
    const millilitres = number(typed) * countedIn(product).millilitres
    return typed === '' ? [] : [{ lotId: lot.id, millilitres }]
  }),
)
const wrong = (lotId: string) => {
  const typed = counts.value[lotId]?.trim() ?? ''
  return typed !== '' && !(number(typed) >= 0) ? ['a number'] : []
}
const bad = computed(() => counted.value.some(({ millilitres }) => !(millilitres >= 0)))
const bottles = (count: number) => howMany(count, 'bottle')
const keep = () =>
  attempt(async () => {
    const body = {
      reason: reason.value,
      counts: counted.value.map((own) => ({ id: crypto.randomUUID(), ...own })),
    }
    const said = await api<{ bottles: number; changed: number }>('/api/stocktakes', {
      method: 'POST',
      body,
    })
    counts.value = {}
    await draft.drop()
    done.value = `${bottles(said.bottles)} counted, ${said.changed} held another amount.`
    await refresh()
  })
</script>

<template>
  <div class="page stack">
    <div class="between">
      <h1>Count the shelf</h1>
      <VBtn variant="outlined" to="/shelf">To the shelf</VBtn>
    </div>
    <p>
      Type how much is in each bottle. An empty field changes nothing. A difference is saved for
      that bottle, with your name.
    </p>
    <p v-if="trouble" role="alert" class="tag stop">{{ trouble }}</p>
    <p v-if="done" role="status" class="tag good">{{ done }}</p>
    <form class="stack" @submit.prevent="keep">
      <div class="panel">
        <VTable v-scrolls density="compact" class="plain">
          <thead>
            <tr>
              <th>Product</th>
              <th>Kind</th>
              <th>Bottle</th>
              <th>Should hold</th>
              <th>Holds</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="{ product, lot } in rows" :key="lot.id">
              <td>
                <b>{{ product.name }}</b>
              </td>
              <td>{{ KIND_NAMES[product.kind] }}</td>
              <td class="figures">{{ lot.code }}</td>
              <td class="figures">
                {{ asCounted(product, lot.remainingMillilitres) }} {{ countedIn(product).name }}
              </td>
              <td class="field">
                <VTextField
                  v-model="counts[lot.id]"
                  :aria-label="`${product.name}, ${lot.code}: holds, ${countedIn(product).name}`"
                  :suffix="countedIn(product).name"
                  inputmode="decimal"
                  density="compact"
                  :error-messages="wrong(lot.id)"
                  hide-details="auto"
                />
              </td>
            </tr>
            <tr v-if="rows.length === 0">
              <td colspan="5">No bottle holds anything. Receive one on the shelf first.</td>
            </tr>
          </tbody>
        </VTable>
      </div>
      <div class="panel row keep">
        <VTextField v-model="reason" class="reason" label="Reason for the count" hide-details />
        <VBtn type="submit" color="primary" :loading="busy" :disabled="counted.length === 0 || bad"
          >Save the count of {{ bottles(counted.length) }}</VBtn
        >
      </div>
    </form>
  </div>
</template>

<style scoped>
.page {
  padding: 20px 28px;
  max-width: 1000px;
}
/* In reach however long the shelf is. */
.keep {
  position: sticky;
  bottom: 0;
}
.field {
  width: 150px;
}
.reason {
  max-width: 320px;
}
</style>
