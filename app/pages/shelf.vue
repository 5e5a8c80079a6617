<script setup lang="ts">
import { INGREDIENTS, ingredientsIn } from '#core/catalogue/products/ingredients'
import { KIND_NAMES } from '#core/catalogue/kinds'
import { endsSoon, type Lot, type Product } from '#core/catalogue/products/products'
import { freeAcidOf } from '#core/dosing/freeAcid'
import { daysBetween } from '#core/screening/days'
import { useApi } from '~/composables/useApi'

useHead({ title: 'Shelf · Oak Basin' })
const api = useApi()
const { data } = await useAsyncData('shelf', () =>
  api<{ today: string; items: { product: Product; lots: (Lot & { trouble: string | null })[] }[] }>(
    '/api/shelf',
  ),
)
const search = ref('')
const rows = computed(() =>
  (data.value?.items ?? []).filter((i) =>
    `${i.product.name} ${KIND_NAMES[i.product.kind]} ${i.product.inci.join(' ')}`
      .toLowerCase()
      .includes(search.value.toLowerCase().trim()),
  ),
)
/** An acid in numbers: per cent in all, pH, and how much of it is free to work. */
const strength = (p: Product) =>
  p.acid
    ? `${p.acid.percent} % ${p.acid.name} acid, ${p.pH === undefined ? 'pH not known' : `pH ${p.pH}`}: ${freeAcidOf(p).toFixed(1)} % free`
    : p.pH === undefined
      ? ''
      : `pH ${p.pH}`
const left = (l: Lot) => (data.value ? daysBetween(data.value.today, l.expires) : 0)
function activesOf(product: Product): string {
  const names = ingredientsIn(product.inci).map((active) => INGREDIENTS[active].name)
  return names.join(', ') || (strength(product) ? '' : '–')
}
</script>

<template>
  <div class="shelf">
    <h1>Shelf</h1>
    <VTextField
      v-model="search"
      class="search"
      label="Search by name, kind or ingredient"
      type="search"
    />
    <div class="panel">
      <VTable density="compact" class="plain">
        <thead>
          <tr>
            <th>Product</th>
            <th>Kind</th>
            <th>Bottle</th>
            <th>Good until</th>
            <th>Left</th>
            <th>Holds</th>
          </tr>
        </thead>
        <tbody>
          <template v-for="i in rows" :key="i.product.id"
            ><tr v-for="l in i.lots" :key="l.id">
              <td>
                <b>{{ i.product.name }}</b>
              </td>
              <td>{{ KIND_NAMES[i.product.kind] }}</td>
              <td class="figures">
                {{ l.code
                }}<span v-if="l.openedOn" class="soft since">open since {{ l.openedOn }}</span>
              </td>
              <td class="figures">
                {{ l.expires }}
                <span v-if="l.trouble" class="tag stop">{{
                  l.trouble.split(/,? since/)[0]
                }}</span><span v-else-if="endsSoon(left(l))" class="tag watch"
                  >{{ left(l) }} days</span
                >
              </td>
              <td class="figures left">
                {{ Math.round(l.remainingMillilitres) }} of {{ i.product.packMillilitres }} mL
              </td>
              <td class="soft">
                <span v-if="strength(i.product)" class="figures strength">{{
                  strength(i.product)
                }}</span>{{ activesOf(i.product) }}
              </td>
            </tr></template
          >
          <tr v-if="rows.length === 0">
            <td colspan="6">Nothing on the shelf by that word.</td>
          </tr>
        </tbody>
      </VTable>
    </div>
  </div>
</template>

<style scoped>
.left {
  white-space: nowrap;
}
.strength {
  display: block;
}
@media (max-width: 1000px) {
  .left,
  .since {
    white-space: normal !important;
  }
}
.since {
  display: block;
  white-space: nowrap;
}
.shelf {
  padding: 20px 28px;
}
.search {
  max-width: 420px;
  margin: 10px 0 14px;
}
</style>
