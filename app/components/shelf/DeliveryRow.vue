<script setup lang="ts">
import { mdiClose } from '@mdi/js'
import type { Product } from '#core/catalogue/products/products'
import { countedIn } from '#core/dosing/byHand'

/** One bottle of a delivery. */
const props = defineProps<{
  productId: string
  products: readonly Product[]
  problems: (field: string) => string[]
}>()
const code = defineModel<string>('code', { required: true })
const expires = defineModel<string>('expires', { required: true })
const held = defineModel<string>('held', { required: true })
defineEmits<{ product: [id: string]; remove: [] }>()
const unit = computed(() => {
  const product = props.products.find(({ id }) => id === props.productId)
  return product ? countedIn(product).name : ''
})
</script>

<template>
  <li class="line">
    <VAutocomplete
      :model-value="productId || null"
      :items="products"
      item-title="name"
      item-value="id"
      label="Product"
      density="compact"
      hide-details="auto"
      :error-messages="problems('productId')"
      @update:model-value="(id: string | null) => $emit('product', id ?? '')"
    />
    <VTextField
      v-model="code"
      label="Code on the bottle"
      density="compact"
      hide-details="auto"
      :error-messages="problems('code')"
    />
    <DayField
      v-model="expires"
      label="Good until"
      density="compact"
      hide-details="auto"
      :error-messages="problems('expires')"
    />
    <VTextField
      v-model="held"
      label="In it"
      :suffix="unit"
      inputmode="decimal"
      density="compact"
      hide-details="auto"
      :error-messages="problems('millilitres')"
    />
    <VBtn
      variant="text"
      :icon="mdiClose"
      size="small"
      :aria-label="`Take ${code} off the sheet`"
      @click="$emit('remove')"
    />
  </li>
</template>

<style scoped>
.line {
  display: grid;
  grid-template-columns: minmax(0, 3fr) minmax(0, 2fr) minmax(0, 2fr) minmax(0, 1.4fr) 44px;
  gap: 8px;
  align-items: start;
  padding: 6px 0;
}
@media (max-width: 800px) {
  .line {
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  }
}
</style>
