<script setup lang="ts">
import { howMany } from '#core/words'
import { accepts } from '#core/visit/accepts'
import {
  PATCH_PLACES,
  PATCH_PLACE_NAMES,
  patchBar,
  patchState,
  type PatchPlace,
  type PatchState,
} from '#core/screening/products/patch'
import { patchTrouble } from '#core/screening/products/products'
import { dayAndClock, dayWords } from '~/composables/dates'
import { useAttempt } from '~/composables/attempt'
import { useVisit } from '~/stores/visit'

/**
 * Patch tests: which products wait for one, where a dab was placed and when, and what was seen
 * there.
 */
const visit = useVisit()
const bundle = computed(() => visit.bundle)
const may = computed(
  () => bundle.value?.may.write === true && accepts(bundle.value.visit.status, 'patchTest'),
)
const place = ref<PatchPlace>('behindEar')
const other = ref<string | null>(null)
const { trouble, attempt } = useAttempt()
const zone = computed(() => bundle.value?.practice.timeZone ?? 'UTC')
const lines = computed(() => {
  const held = bundle.value
  const profile = visit.input?.profile
  if (!held || !profile) return []
  return held.shelf.flatMap(({ product }) => {
    const state = patchState(
      product,
      held.patchTests,
      profile,
      held.usedProducts.includes(product.id),
      Math.max(held.now, held.visit.at),
      held.patchAgain ?? undefined,
    )
    const test = held.patchTests
      .filter((patchTest) => patchTest.productId === product.id)
      .sort((one, other) => other.placedAt - one.placedAt)[0]
    const never = neverPlaced.value.get(product.id)
    return state.kind === 'notNeeded' ? [] : [{ product, state, test, never }]
  })
})
/** What is known not to be borne, or cannot be taken, is never offered: why, by product. */
const neverPlaced = computed(() => {
  const held = bundle.value
  const verdict = visit.input?.verdict
  if (!held || !verdict) return new Map<string, string>()
  return new Map(
    held.shelf.flatMap(({ product, lots }) => {
      const why = patchTrouble(product, lots, verdict, held.answers, held.today)
      return why ? [[product.id, why.text] as const] : []
    }),
  )
})
const free = computed(() =>
  (bundle.value?.shelf ?? [])
    .filter(
      ({ product }) =>
        !neverPlaced.value.has(product.id) &&
        !lines.value.some((line) => line.product.id === product.id),
    )
    .map((item) => ({ value: item.product.id, title: item.product.name })),
)
function words(item: PatchState): string {
  if (item.kind === 'waiting') return `to be read from ${dayAndClock(item.from, zone.value)}`
  if (item.kind === 'clear') {
    const again = item.lookAgain ? `; look again ${dayAndClock(item.lookAgain, zone.value)}` : ''
    return `clear, holds until ${dayWords(item.until, zone.value)}${again}`
  }
  return patchBar(item) ?? ''
}
const act = (work: () => Promise<unknown>) =>
  attempt(async () => {
    await work()
    await visit.reload()
  })
const put = (productId: string) =>
  act(async () => {
    await visit.send('/patch-tests', 'POST', {
      id: crypto.randomUUID(),
      productId,
      place: place.value,
    })
    other.value = null
  })
const read = (testId: string, result: 'clear' | 'reaction') =>
  act(() => visit.send('/patch-reads', 'POST', { id: crypto.randomUUID(), testId, result }))
const summary = computed(() => {
  const count = lines.value.length
  if (count > 0) return howMany(count, 'product')
  return visit.input?.profile.confidence === 0 ? 'known once the skin is read' : 'none needed'
})
</script>

<template>
  <details v-if="bundle" class="panel" :open="lines.some((l) => l.state.kind === 'readable')">
    <summary>
      <h2>
        Patch tests
        <span class="soft count">{{ summary }}</span>
      </h2>
    </summary>
    <div class="stack mt-3">
      <p v-if="trouble" role="alert" class="tag stop">{{ trouble }}</p>
      <VRadioGroup v-model="place" inline hide-details density="compact" label="A dab">
        <VRadio
          v-for="patchPlace in PATCH_PLACES"
          :key="patchPlace"
          :value="patchPlace"
          :label="PATCH_PLACE_NAMES[patchPlace]"
        />
      </VRadioGroup>
      <ul class="plainlist">
        <li v-for="tested in lines" :key="tested.product.id" class="line">
          <span
            ><b>{{ tested.product.name }}</b
            ><br /><span class="soft"
              >{{ words(tested.state)
              }}<template v-if="tested.test">
                · placed {{ dayAndClock(tested.test.placedAt, zone) }},
                {{ PATCH_PLACE_NAMES[tested.test.place] }}</template
              ></span
            ></span
          >
          <span v-if="may" class="row"
            ><VBtn
              v-if="tested.state.kind === 'due' && !tested.never"
              size="small"
              height="38"
              variant="outlined"
              @click="put(tested.product.id)"
              >Place it<span class="sr">: {{ tested.product.name }}</span></VBtn
            >
            <span v-else-if="tested.state.kind === 'due'" class="soft"
              >never to be tested: {{ tested.never }}</span
            ><template v-else-if="tested.test && tested.state.kind !== 'reaction'"
              ><VBtn
                v-if="tested.state.kind !== 'waiting'"
                size="small"
                height="38"
                variant="outlined"
                @click="read(tested.test.id, 'clear')"
                >Clear<span class="sr">: {{ tested.product.name }}</span></VBtn
              ><VBtn
                size="small"
                height="38"
                variant="outlined"
                color="error"
                @click="read(tested.test.id, 'reaction')"
                >Reaction<span class="sr">: {{ tested.product.name }}</span></VBtn
              ></template
            ></span
          >
        </li>
      </ul>
      <div v-if="may" class="row">
        <VAutocomplete
          v-model="other"
          :items="free"
          label="Test another product"
          density="compact"
          hide-details
          class="grow"
        /><VBtn variant="outlined" :disabled="!other" @click="other && put(other)">Place it</VBtn>
      </div>
      <p class="soft fine">
        Read at 24 h and again at 48 h; late reactions up to 96 h are possible: tell the client. A
        clear test holds six months for that product.
      </p>
    </div>
  </details>
</template>

<style scoped>
.count {
  font-family: var(--sans);
  font-size: 0.9rem;
  font-weight: 500;
  margin-left: 8px;
}
.line {
  display: flex;
  justify-content: space-between;
  gap: 12px;
  align-items: center;
  border-top: 1px solid var(--line);
  padding: 7px 0;
}
.grow {
  flex: 1;
  min-width: 220px;
}
.fine {
  font-size: 0.875rem;
}
p {
  margin: 0;
}
</style>
