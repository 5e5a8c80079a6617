<script setup lang="ts">
import { INGREDIENTS, ingredientsIn } from '#core/catalogue/products/ingredients'
import { KIND_NAMES } from '#core/catalogue/kinds'
import { endsSoon, type Lot, type Product } from '#core/catalogue/products/products'
import { acidUnknown, freeAcidOf } from '#core/dosing/freeAcid'
import { daysBetween } from '#core/screening/days'
import { useApi } from '~/composables/useApi'

useHead({ title: 'Shelf · Oak Basin' })
interface ShelfRow {
  product: Product
  suspected: number
  lots: (Lot & { trouble: string | null })[]
}
const api = useApi()
const { data } = await useAsyncData('shelf', () =>
  api<{ today: string; items: ShelfRow[] }>('/api/shelf'),
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
function strength(product: Product): string {
  const sour = product.pH === undefined ? '' : `pH ${product.pH}`
  if (acidUnknown(product)) return 'strength not on file: counts as the strongest'
  if (!product.acid) return sour
  const { percent, name } = product.acid
  return `${percent} % ${name} acid, ${sour || 'pH not known'}: ${freeAcidOf(product).toFixed(1)} % free`
}
const suspectedWords = (count: number) =>
  `suspected of ${count === 1 ? 'a reaction' : `${count} reactions`}`
const left = (lot: Lot) => (data.value ? daysBetween(data.value.today, lot.expires) : 0)
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
            ><tr v-for="lot in i.lots" :key="lot.id">
              <td>
                <b>{{ i.product.name }}</b><span v-if="i.suspected" class="tag watch suspected">{{
                  suspectedWords(i.suspected)
                }}</span>
              </td>
              <td>{{ KIND_NAMES[i.product.kind] }}</td>
              <td class="figures">
                {{ lot.code
                }}<span v-if="lot.openedOn" class="soft since">open since {{ lot.openedOn }}</span>
              </td>
              <td class="figures">
                {{ lot.expires }}
                <span v-if="lot.trouble" class="tag stop">{{
                  lot.trouble.split(/,? since/)[0]
                }}</span><span v-else-if="endsSoon(left(lot))" class="tag watch"
                  >{{ left(lot) }} days</span
                >
              </td>
              <td class="figures left">
                {{ Math.round(lot.remainingMillilitres) }} of {{ i.product.packMillilitres }} mL
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
.suspected {
  margin-left: 8px;
}
</style>
