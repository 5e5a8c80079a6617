<script setup lang="ts">
import { bottlesOf, useDelivery } from '~/composables/shelf/delivery'
import { fieldProblem } from '~/composables/useApi'

/** A delivery of many bottles on one sheet: each code scanned or typed becomes a line, then all come in. */
useHead({ title: 'Delivery · Oak Basin' })
const { ready, busy, trouble, products, lines, typed, done, missing, ...sheet } = useDelivery()
const { add, choose, remove, receiveAll } = sheet
await ready
</script>

<template>
  <div class="page stack">
    <div class="between">
      <h1>Delivery</h1>
      <VBtn variant="outlined" to="/shelf">To the shelf</VBtn>
    </div>
    <p v-if="trouble" role="alert" class="tag stop">{{ trouble }}</p>
    <p v-if="done" role="status" class="tag good">{{ done }}</p>
    <form class="row scan" @submit.prevent="add">
      <VTextField
        v-model="typed"
        v-caret
        label="Scan or type the code of a bottle"
        maxlength="90"
        hide-details
      /><VBtn type="submit" variant="outlined">Add a line</VBtn>
    </form>
    <form class="stack" novalidate @submit.prevent="receiveAll">
      <div v-if="lines.length" class="panel">
        <ul class="plainlist" aria-label="Bottles of the delivery">
          <DeliveryRow
            v-for="line in lines"
            :key="line.id"
            v-model:code="line.code"
            v-model:expires="line.expires"
            v-model:held="line.held"
            :product-id="line.productId"
            :products="products"
            :problems="(field) => fieldProblem(line.problem, field)"
            @product="(id) => choose(line, id)"
            @remove="remove(line.id)"
          />
        </ul>
      </div>
      <p v-else class="soft">
        A keyboard scanner works here. A printed code with lot and date fills in both.
      </p>
      <div v-if="lines.length" class="panel row keep">
        <VBtn type="submit" color="primary" :loading="busy" :disabled="missing !== ''">
          Receive {{ bottlesOf(lines.length) }}
        </VBtn>
        <span class="soft">{{ missing }}</span>
      </div>
    </form>
  </div>
</template>

<style scoped>
.page {
  padding: 20px 28px;
  max-width: 1100px;
}
.scan > :first-child {
  flex: 0 1 420px;
}
/* In reach however long the sheet is. */
.keep {
  position: sticky;
  bottom: 0;
}
</style>
