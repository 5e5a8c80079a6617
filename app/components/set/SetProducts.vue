<script setup lang="ts">
import { gramsWords, roundingWords } from '#core/dosing/amount'
import type { Tray } from '#core/tray/tray'

/** What lies on the tray, in the order of hands: how much of it, and from which bottle. */
defineProps<{ products: Tray['products']; laid: (key: string) => boolean }>()
const emit = defineEmits<{ lay: [key: string, laid: boolean] }>()
</script>

<template>
  <VTable density="compact" class="plain">
    <thead>
      <tr>
        <th><span class="sr">Laid out</span></th>
        <th>Product</th>
        <th>For</th>
        <th>Amount</th>
        <th>Bottle</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="product in products" :key="product.key" :class="{ bad: product.trouble }">
        <td>
          <VCheckbox
            :model-value="laid(`product-${product.key}`)"
            density="compact"
            hide-details
            :aria-label="`${product.name} laid out`"
            @update:model-value="(now) => emit('lay', `product-${product.key}`, now === true)"
          />
        </td>
        <td>
          <b>{{ product.name }}</b>
          <div v-if="product.trouble" class="tag stop">{{ product.trouble }}</div>
        </td>
        <td class="soft">{{ product.step }}</td>
        <td class="figures">
          <b>{{ product.amount.words }}</b>{{ ' ' }}
          <span class="soft"
            >{{ gramsWords(product.amount) }}{{ product.extra ? `, ${product.extra}` : '' }}</span
          ><span v-if="roundingWords(product.amount)" class="soft">
            ({{ roundingWords(product.amount) }})</span
          >
        </td>
        <td class="figures soft">{{ product.lot ?? 'none' }}</td>
      </tr>
    </tbody>
  </VTable>
</template>
