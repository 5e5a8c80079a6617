<script setup lang="ts">
import { productsOf, type BottleOnRecord } from '#core/record/bottles'
import type { RecordLine } from '#core/record/build'
import { countedWords } from '#core/record/countedWords'

/** Planned against done, step by step. */
defineProps<{ lines: readonly RecordLine[] }>()
const amount = (product: BottleOnRecord) => {
  const millilitres = product.takenMl ?? product.plannedMl
  return `${millilitres} mL${product.lot ? `, ${product.lot}` : ''}`
}
</script>

<template>
  <VTable v-scrolls density="compact" class="lines">
    <thead>
      <tr>
        <th>Step</th>
        <th>Zones</th>
        <th>Planned</th>
        <th>Took</th>
        <th>Product, bottle</th>
        <th>Different</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="line in lines" :key="line.key">
        <td>
          <b>{{ line.name }}</b>
          <span v-if="countedWords(line)" class="soft seen">{{ countedWords(line) }}</span>
          <span v-if="line.confirmed" class="soft seen"
            >confirmed: {{ line.confirmed.join('; ').toLowerCase() }}</span
          >
        </td>
        <td class="soft">{{ line.zones }}</td>
        <td class="figures">{{ line.plannedMinutes ?? '–' }}</td>
        <td class="figures">{{ line.actualMinutes ?? '–' }}</td>
        <td>
          <div v-for="product in productsOf(line)" :key="product.id">
            {{ product.name }} <span class="soft figures">{{ amount(product) }}</span>
          </div>
        </td>
        <td class="different">{{ line.deviation }}</td>
      </tr>
    </tbody>
  </VTable>
</template>

<style scoped>
.seen {
  display: block;
  font-size: 0.8125rem;
}
.lines {
  background: transparent;
  font-size: 0.875rem;
}
.lines :is(th, td) {
  padding: 4px 8px;
}
.lines td {
  height: auto;
}
.different {
  color: var(--clay-deep);
}
</style>
