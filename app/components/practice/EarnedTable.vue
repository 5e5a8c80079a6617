<script setup lang="ts">
import type { Earned } from '#contracts/replies/money'
import { earnedBy, earnedIn, UNBILLED } from '#core/cost/earned'
import { lessWouldDo } from '#core/stock/forecast'
import { dayWords } from '~/composables/dates'
import { cents } from '~/composables/money'

/** What the sealed visits of a month cost and earned, together by price and one by one. */
const props = defineProps<{ earned: Earned; currency: string }>()
const zone = Intl.DateTimeFormat().resolvedOptions().timeZone
const money = (amount: number) => cents(amount, props.currency)
const sums = computed(() => earnedBy(props.earned.visits))
const all = computed(() => earnedIn('The month', props.earned.visits))
const wasted = computed(() => props.earned.products.filter(({ wasteCents }) => wasteCents > 0))
/** Of what less was taken than is laid out: a smaller start would do. */
const less = computed(() =>
  props.earned.products.flatMap((product) => {
    const percent = lessWouldDo(product)
    return percent === null ? [] : [{ ...product, percent }]
  }),
)
const ml = (amount: number) => `${amount.toFixed(1)} mL`
</script>

<template>
  <p v-if="!earned.visits.length" class="soft">No visit was sealed in this month.</p>
  <template v-else>
    <VTable v-scrolls density="compact" class="plain">
      <thead>
        <tr>
          <th>Billed as</th>
          <th>Visits</th>
          <th>Taken</th>
          <th>Cost</th>
          <th>Earned</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="sum in sums" :key="sum.name" class="figures">
          <td>{{ sum.name }}</td>
          <td>{{ sum.visits }}</td>
          <td>{{ money(sum.taken) }}</td>
          <td>{{ money(sum.cost) }}</td>
          <td>{{ money(sum.earned) }}</td>
        </tr>
        <tr class="figures all">
          <td>{{ all.name }}</td>
          <td>{{ all.visits }}</td>
          <td>{{ money(all.taken) }}</td>
          <td>{{ money(all.cost) }}</td>
          <td>{{ money(all.earned) }}</td>
        </tr>
      </tbody>
    </VTable>
    <details>
      <summary>Visit by visit</summary>
      <VTable v-scrolls density="compact" class="plain">
        <tbody>
          <tr v-for="visit in earned.visits" :key="visit.id" class="figures">
            <td>{{ dayWords(visit.at, zone) }}</td>
            <td>
              <NuxtLink :to="`/visits/${visit.id}/close`">{{ visit.client }}</NuxtLink>
            </td>
            <td>{{ visit.price ?? UNBILLED }}</td>
            <td>{{ visit.takenCents === null ? '–' : money(visit.takenCents) }}</td>
            <td>{{ money(visit.costCents) }}</td>
          </tr>
        </tbody>
      </VTable>
    </details>
  </template>
  <h3>Used beyond the plan, and thrown out</h3>
  <p v-if="!wasted.length" class="soft">Nothing.</p>
  <VTable v-else v-scrolls density="compact" class="plain">
    <thead>
      <tr>
        <th>Product</th>
        <th>Planned</th>
        <th>Taken</th>
        <th>Thrown out</th>
        <th>Worth</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="product in wasted" :key="product.name" class="figures">
        <td>{{ product.name }}</td>
        <td>{{ ml(product.plannedMl) }}</td>
        <td>{{ ml(product.takenMl) }}</td>
        <td>{{ ml(product.thrownMl) }}</td>
        <td>{{ money(product.wasteCents) }}</td>
      </tr>
    </tbody>
  </VTable>
  <template v-if="less.length">
    <h3>Start with less</h3>
    <ul class="plainlist">
      <li v-for="product in less" :key="product.name" class="figures">
        <b>{{ product.name }}</b>: {{ ml(product.takenMl) }} of {{ ml(product.plannedMl) }} were
        used. Begin with {{ product.percent }} % less.
      </li>
    </ul>
  </template>
</template>

<style scoped>
.all td {
  font-weight: 650;
  border-top: 2px solid var(--line);
}
a {
  color: var(--ink);
}
</style>
