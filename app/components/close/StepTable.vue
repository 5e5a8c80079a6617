<script setup lang="ts">
/** One step as a record says it, in words. */
export interface StepRow {
  key: string
  name: string
  /** What was counted, felt and confirmed. */
  seen: readonly string[]
  zones: string
  planned: number | null
  took: number | null
  products: readonly { name: string; amount: string }[]
  different: string | null
}
/** Planned against done, step by step. */
defineProps<{ rows: readonly StepRow[] }>()
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
      <tr v-for="row in rows" :key="row.key">
        <td>
          <b>{{ row.name }}</b>
          <span v-for="word in row.seen" :key="word" class="soft seen">{{ word }}</span>
        </td>
        <td class="soft">{{ row.zones }}</td>
        <td class="figures">{{ row.planned ?? '–' }}</td>
        <td class="figures">{{ row.took ?? '–' }}</td>
        <td>
          <div v-for="product in row.products" :key="product.name + product.amount">
            {{ product.name }} <span class="soft figures">{{ product.amount }}</span>
          </div>
        </td>
        <td class="different">{{ row.different }}</td>
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
