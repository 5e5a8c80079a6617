<script setup lang="ts">
import type { Product } from '#core/catalogue/products/products'
import { asCounted, countedIn } from '#core/dosing/byHand'
import { fieldProblem, sayProblem, useApi } from '~/composables/useApi'

/** A bottle that has come in: its code may be read by a scanner that types, ending in Enter. */
const props = defineProps<{
  product: Pick<Product, 'id' | 'name' | 'packMillilitres' | 'dispenser'>
}>()
const emit = defineEmits<{ close: []; saved: [] }>()
const api = useApi()
const id = crypto.randomUUID()
const code = ref('')
const expires = ref('')
const unit = countedIn(props.product)
const held = ref(String(asCounted(props.product, props.product.packMillilitres)))
const trouble = ref<unknown>(null)
const busy = ref(false)
async function save() {
  busy.value = true
  trouble.value = null
  try {
    const amount = Number(held.value.replace(',', '.')) * unit.millilitres
    const own = { id, productId: props.product.id, code: code.value, expires: expires.value }
    await api('/api/lots', { method: 'POST', body: { ...own, millilitres: amount } })
    emit('saved')
  } catch (error) {
    trouble.value = error
  } finally {
    busy.value = false
  }
}
const err = (field: string) => fieldProblem(trouble.value, field)
</script>

<template>
  <VDialog
    :model-value="true"
    max-width="520"
    aria-label="Receive a bottle"
    @update:model-value="emit('close')"
  >
    <VCard>
      <form class="stack pa-5" novalidate @submit.prevent="save">
        <h2>Receive: {{ product.name }}</h2>
        <VTextField
          v-model="code"
          v-caret
          label="Code on the bottle"
          :error-messages="err('code')"
        />
        <DayField v-model="expires" label="Good until" :error-messages="err('expires')" />
        <VTextField
          v-model="held"
          label="In it"
          :suffix="unit.name"
          inputmode="decimal"
          :error-messages="err('millilitres')"
        />
        <p v-if="trouble" role="alert" class="tag stop">{{ sayProblem(trouble) }}</p>
        <div class="row">
          <VBtn type="submit" color="primary" :loading="busy">Add bottle</VBtn>
          <VBtn variant="text" @click="emit('close')">Close</VBtn>
        </div>
      </form>
    </VCard>
  </VDialog>
</template>
