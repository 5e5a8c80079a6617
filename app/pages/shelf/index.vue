<script setup lang="ts">
import { howMany } from '#core/words'
import { INGREDIENTS, ingredientsIn } from '#core/catalogue/products/ingredients'
import { KIND_NAMES } from '#core/catalogue/kinds'
import type { ShelfLot, ShelfRow } from '#contracts/replies/shelf'
import { endsSoon, type Lot, type Product } from '#core/catalogue/products/products'
import { heldWords } from '#core/dosing/byHand'
import { acidUnknown, freeAcidOf } from '#core/dosing/freeAcid'
import { daysBetween } from '#core/screening/asking/days'
import { NOT_COPIED } from '#core/catalogue/products/starter'
import { useShelfPage } from '~/composables/shelf/shelfPage'
import { fieldDay, isoDayWords } from '~/composables/dates'
import { sayProblem } from '~/composables/useApi'
import { useSession } from '~/stores/session'

useHead({ title: 'Shelf · Oak Basin' })
const session = useSession()
const { data, refresh, error, search, sought, sort, page, also } = await useShelfPage()
const may = computed(() => session.me !== null && session.me.role !== 'trainee')
const editing = ref<{ row?: ShelfRow } | null>(null)
const receiving = ref<ShelfRow | null>(null)
const bottle = ref<{ row: ShelfRow; lot: ShelfLot } | null>(null)
const recalling = ref(false)
const zone = Intl.DateTimeFormat().resolvedOptions().timeZone
async function saved() {
  editing.value = null
  receiving.value = null
  await refresh()
}
const rows = computed(() => data.value?.items ?? [])
const nothing = computed(() => {
  if (!data.value?.nothing) return 'No product matches.'
  return (
    'The shelf is empty. An owner adds the starter shelf under Practice, Set up the practice; ' +
    'or add a product here.'
  )
})
const counted = computed(() => {
  const total = data.value?.total ?? 0
  return `${howMany(total, 'product')}${sought.value ? ' found' : ''}`
})
const lowWords = (row: ShelfRow) =>
  `${Math.round(row.leftMillilitres)} mL left, order at ${row.reorderMillilitres} mL`
/** An acid in numbers: per cent in all, pH, and how much of it is free to work. */
function strength(product: Product): string {
  const sour = product.pH === undefined ? '' : `pH ${product.pH}`
  if (acidUnknown(product)) return 'strength not on file: counts as the strongest'
  if (!product.acid) return sour
  const { percent, name } = product.acid
  return `${percent} % ${name} acid, ${sour || 'pH not known'}: ${freeAcidOf(product).toFixed(1)} % free`
}
const suspectedWords = (count: number) => `suspected of ${howMany(count, 'reaction')}`
const left = (lot: Lot) => (data.value ? daysBetween(data.value.today, lot.expires) : 0)
function activesOf(product: Product): string {
  const names = ingredientsIn(product.inci).map((active) => INGREDIENTS[active].name)
  return names.join(', ') || (strength(product) ? '' : '–')
}
</script>

<template>
  <div class="shelf">
    <div class="between">
      <h1>Shelf</h1>
      <div class="row">
        <VBtn variant="outlined" to="/shelf/open">Open now</VBtn>
        <VBtn variant="outlined" to="/shelf/cleaning">Cleaning</VBtn>
        <VBtn variant="outlined" to="/shelf/order">To order</VBtn>
        <template v-if="may">
          <VBtn variant="outlined" to="/shelf/delivery">Delivery</VBtn>
          <VBtn variant="outlined" to="/shelf/count">Count the shelf</VBtn>
          <VBtn variant="outlined" to="/shelf/file">Import or export</VBtn>
          <VBtn variant="outlined" @click="recalling = true">Recall a lot</VBtn>
          <VBtn color="primary" @click="editing = {}">Add a product</VBtn>
        </template>
      </div>
    </div>
    <ShelfTools
      v-model:search="search"
      v-model:sort="sort"
      :also="also"
      :may="may"
      :counted="counted"
      @update:also="Object.assign(also, $event)"
    />
    <p v-if="error" role="alert" class="tag stop">{{ sayProblem(error) }}</p>
    <div class="panel">
      <VTable v-scrolls density="compact" class="plain">
        <thead>
          <tr>
            <th>Product</th>
            <th>Kind</th>
            <th>Bottle</th>
            <th>Good until</th>
            <th>Left</th>
            <th>Holds</th>
            <th v-if="may"><span class="sr">Change</span></th>
          </tr>
        </thead>
        <tbody>
          <template v-for="i in rows" :key="i.product.id">
            <tr v-if="i.lots.length === 0">
              <td>
                <b>{{ i.product.name }}</b>
                <span v-if="i.retired" class="tag watch suspected">discontinued</span>
                <span v-if="i.low" class="tag watch suspected">{{ lowWords(i) }}</span>
              </td>
              <td>{{ KIND_NAMES[i.product.kind] }}</td>
              <td colspan="3" class="soft">no bottle that holds anything</td>
              <td class="soft">{{ activesOf(i.product) }}</td>
              <td v-if="may">
                <ShelfActions :row="i" @edit="editing = { row: i }" @receive="receiving = i" />
              </td>
            </tr>
            <tr v-for="(lot, nth) in i.lots" :key="lot.id">
              <td>
                <b>{{ i.product.name }}</b><span v-if="i.suspected" class="tag watch suspected">{{
                  suspectedWords(i.suspected)
                }}</span
                ><span v-if="i.retired" class="tag watch suspected">discontinued</span
                ><span v-if="i.low && nth === 0" class="tag watch suspected">{{
                  lowWords(i)
                }}</span>
              </td>
              <td>{{ KIND_NAMES[i.product.kind] }}</td>
              <td class="figures">
                <span v-if="lot.code === NOT_COPIED" class="tag watch">copy its code and date</span
                ><template v-else>{{ lot.code }}</template
                ><span v-if="lot.openedOn" class="soft since"
                  >open since {{ isoDayWords(lot.openedOn) }}</span
                >
              </td>
              <td class="figures">
                {{ fieldDay(lot.expires) }}
                <span v-if="lot.trouble" class="tag stop">{{
                  lot.trouble.split(/,? since/)[0]
                }}</span><span v-else-if="endsSoon(left(lot))" class="tag watch"
                  >{{ left(lot) }} days</span
                >
              </td>
              <td class="figures left">
                {{ heldWords(i.product, lot.remainingMillilitres) }}
              </td>
              <td class="soft">
                <span v-if="strength(i.product)" class="figures strength">{{
                  strength(i.product)
                }}</span>{{ activesOf(i.product) }}
              </td>
              <td v-if="may">
                <ShelfActions
                  :row="i"
                  has-bottle
                  @edit="editing = { row: i }"
                  @receive="receiving = i"
                  @bottle="bottle = { row: i, lot }"
                />
              </td>
            </tr>
          </template>
          <tr v-if="rows.length === 0">
            <td colspan="7">
              {{ nothing }}
            </td>
          </tr>
        </tbody>
      </VTable>
      <VPagination
        v-if="data && data.pages > 1"
        v-model="page"
        :length="data.pages"
        :total-visible="7"
        aria-label="Pages of the shelf"
      />
    </div>
    <LazyProductForm
      v-if="editing"
      :row="editing.row"
      :currency="data?.currency ?? ''"
      @close="editing = null"
      @saved="saved"
    />
    <LazyReceiveDialog
      v-if="receiving"
      :product="receiving.product"
      @close="receiving = null"
      @saved="saved"
    />
    <LazyBottleDialog
      v-if="bottle"
      :row="bottle.row"
      :lot="bottle.lot"
      :zone="zone"
      @close="bottle = null"
      @changed="refresh"
    />
    <LazyRecallDialog v-if="recalling" @close="recalling = false" @changed="refresh" />
  </div>
</template>

<style scoped>
.left {
  white-space: nowrap;
}
.strength {
  display: block;
}
/* Widths that wait for no last row: none moves while the page comes in. */
@media (min-width: 1200px) {
  .plain :deep(table) {
    table-layout: fixed;
  }
  th:nth-child(1) {
    width: 21%;
  }
  th:nth-child(2),
  th:nth-child(4) {
    width: 14%;
  }
  th:nth-child(3) {
    width: 17%;
  }
  th:nth-child(5) {
    width: 11.5%;
  }
  th:nth-child(7) {
    width: 60px;
  }
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
.suspected {
  margin-left: 8px;
}
</style>
