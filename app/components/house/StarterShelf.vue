<script setup lang="ts">
import { howMany } from '#core/words'
import { KIND_NAMES, PRODUCT_KINDS } from '#core/catalogue/kinds'
import { notStarted, STARTER_DAYS, STARTER_SHELF } from '#core/catalogue/products/starter'
import { useAttempt } from '~/composables/attempt'
import { useApi } from '~/composables/useApi'

/** A plain shelf to begin with, for a house that keeps nothing yet. */
const props = defineProps<{ products: number }>()
const emit = defineEmits<{ changed: [] }>()
const api = useApi()
const { busy, trouble, attempt } = useAttempt()
const missing = notStarted(PRODUCT_KINDS).join(', ')
const kinds = STARTER_SHELF.map(({ kind }) => KIND_NAMES[kind]).join(', ')
const count = computed(() => howMany(props.products, 'product'))
const putUp = () =>
  attempt(async () => {
    await api('/api/shelf/starter', { method: 'POST' })
    emit('changed')
  })
</script>

<template>
  <section class="panel stack">
    <h2>The shelf</h2>
    <template v-if="products === 0">
      <p>
        Begin with {{ STARTER_SHELF.length }} plain products, one of each kind, to rename or remove:
        {{ kinds }}.
      </p>
      <p class="soft">
        Each comes with one full bottle whose code and date are still to be copied from yours; it
        counts as good for {{ STARTER_DAYS }} days until then. Not among them, because only the real
        label says enough: {{ missing }}.
      </p>
      <VBtn color="primary" :loading="busy" @click="putUp">Add the starter shelf</VBtn>
    </template>
    <p v-else>{{ count }} on the shelf.</p>
    <VBtn variant="outlined" to="/shelf">To the shelf</VBtn>
    <p v-if="trouble" role="alert" class="tag stop">{{ trouble }}</p>
  </section>
</template>
