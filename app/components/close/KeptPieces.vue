<script setup lang="ts">
import { KITCHEN_LIFE_ROWS } from '#core/catalogue/products/kitchen'
import { openedFor } from '#core/dosing/amount'
import { goodUntil } from '#core/hygiene/opened'
import { productsOf } from '#core/record/bottles'
import type { RecordDraft } from '#core/record/build'
import { lifeOf } from '#core/screening/products/kitchen'
import type { VisitBundle } from '#core/visit/bundle'
import { dayAndClock } from '~/composables/dates'
import { useOpened } from '~/composables/opened'
import { useVisit } from '~/stores/visit'

/** What is left of what was opened or mixed for this client, and whether it stays here. */
const props = defineProps<{ bundle: VisitBundle; treatment: RecordDraft }>()
const visit = useVisit()
const { opened, busy, trouble, open, end } = useOpened()
const zone = computed(() => props.bundle.practice.timeZone)
const used = computed(() =>
  props.treatment.lines
    .filter(({ actualMinutes }) => actualMinutes !== null)
    .flatMap(productsOf)
    .flatMap((line) => {
      const item = props.bundle.shelf.find(({ product }) => product.id === line.id)
      return item ? [{ line, product: item.product }] : []
    }),
)
const half = computed(
  () =>
    used.value.find(({ line, product }) => {
      const taken = line.takenMl ?? line.plannedMl ?? 0
      return !line.half && taken > 0 && openedFor(product, taken) > taken
    })?.product,
)
const keptHalf = computed(() =>
  props.bundle.openHalves.find(({ visitId }) => visitId === props.bundle.visit.id),
)
const untilTomorrow = computed(() =>
  dayAndClock(goodUntil('half', props.bundle.now, zone.value), zone.value),
)
/** Mixes of the house that keep for a time. */
const mixes = computed(() =>
  used.value.flatMap(({ product }) =>
    product.recipe && KITCHEN_LIFE_ROWS[lifeOf(product)].hours > 0 ? [product] : [],
  ),
)
const keptMix = (name: string) =>
  opened.value?.open.find(
    (own) => own.what === 'mix' && own.name === name && own.client?.id === props.bundle.client.id,
  )
const keep = async (what: 'half' | 'mix', productId: string) => {
  if (await open(what, { productId, visitId: props.bundle.visit.id })) await visit.reload()
}
const home = async (id: string) => {
  if (await end(id, 'home')) await visit.reload()
}
</script>

<template>
  <section v-if="half || mixes.length" class="panel noprint stack">
    <h2>What is left</h2>
    <template v-if="half">
      <p v-if="keptHalf">
        Half of {{ half.name }} is kept here, until {{ dayAndClock(keptHalf.until, zone) }}.
      </p>
      <p v-else>Half of {{ half.name }} goes home with the client, for tomorrow morning.</p>
      <VBtn v-if="keptHalf" variant="outlined" :loading="busy" @click="home(keptHalf.id)"
        >Send it home instead</VBtn
      >
      <VBtn v-else variant="outlined" :loading="busy" @click="keep('half', half.id)"
        >Keep it here, until {{ untilTomorrow }}</VBtn
      >
    </template>
    <template v-for="mix in mixes" :key="mix.id">
      <p v-if="keptMix(mix.name)">What is left of {{ mix.name }} is kept for this client.</p>
      <template v-else>
        <p>{{ mix.name }}: {{ KITCHEN_LIFE_ROWS[lifeOf(mix)].words }}.</p>
        <VBtn variant="outlined" :loading="busy" @click="keep('mix', mix.id)"
          >Keep the rest for this client</VBtn
        >
      </template>
    </template>
    <p v-if="trouble" role="alert" class="tag stop">{{ trouble }}</p>
  </section>
</template>
