<script setup lang="ts">
import {
  PATCH_PLACES,
  PATCH_PLACE_NAMES,
  patchBar,
  patchState,
  type PatchPlace,
  type PatchState,
} from '#core/screening/patch'
import { dayAndClock, dayWords } from '~/composables/dates'
import { sayProblem } from '~/composables/useApi'
import { useVisit } from '~/stores/visit'

/**
 * Patch tests: which products wait for one, where a dab was placed and when, and what was seen
 * there.
 */
const visit = useVisit()
const b = computed(() => visit.bundle)
const may = computed(() => b.value?.may.write === true && b.value.visit.status !== 'cancelled')
const place = ref<PatchPlace>('behindEar')
const other = ref<string | null>(null)
const trouble = ref('')
const zone = computed(() => b.value?.practice.timeZone ?? 'UTC')
const lines = computed(() => {
  const held = b.value
  const profile = visit.input?.profile
  if (!held || !profile) return []
  return held.shelf.flatMap(({ product }) => {
    const state = patchState(
      product,
      held.patchTests,
      profile,
      held.usedProducts.includes(product.id),
      Math.max(held.now, held.visit.startsAt),
      held.patchAgain ?? undefined,
    )
    const test = held.patchTests
      .filter((t) => t.productId === product.id)
      .sort((x, y) => y.placedAt - x.placedAt)[0]
    return state.kind === 'notNeeded' ? [] : [{ product, state, test }]
  })
})
const free = computed(() =>
  (b.value?.shelf ?? [])
    .filter((s) => !lines.value.some((l) => l.product.id === s.product.id))
    .map((s) => ({ value: s.product.id, title: s.product.name })),
)
function words(s: PatchState): string {
  if (s.kind === 'waiting') return `to be read from ${dayAndClock(s.from, zone.value)}`
  if (s.kind === 'clear')
    return `clear, holds until ${dayWords(s.until, zone.value)}${s.lookAgain ? `; look again ${dayAndClock(s.lookAgain, zone.value)}` : ''}`
  return patchBar(s) ?? ''
}
async function act(work: () => Promise<unknown>) {
  trouble.value = ''
  try {
    await work()
    await visit.reload()
  } catch (e) {
    trouble.value = sayProblem(e)
  }
}
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
const howMany = computed(() => {
  const count = lines.value.length
  if (count > 0) return `${count} ${count === 1 ? 'product' : 'products'}`
  return visit.input?.profile.confidence === 0 ? 'known once the skin is read' : 'none needed'
})
</script>

<template>
  <details v-if="b" class="panel" :open="lines.some((l) => l.state.kind === 'readable')">
    <summary>
      <h2>
        Patch tests
        <span class="soft count">{{ howMany }}</span>
      </h2>
    </summary>
    <div class="stack mt-3">
      <p v-if="trouble" role="alert" class="tag stop">{{ trouble }}</p>
      <div class="row" role="radiogroup" aria-label="Place">
        <span class="soft">A dab</span
        ><label v-for="p in PATCH_PLACES" :key="p" class="row"
          ><input v-model="place" type="radio" :value="p" name="patch-place" />{{
            PATCH_PLACE_NAMES[p]
          }}</label
        >
      </div>
      <ul class="plainlist">
        <li v-for="l in lines" :key="l.product.id" class="line">
          <span
            ><b>{{ l.product.name }}</b
            ><br /><span class="soft"
              >{{ words(l.state)
              }}<template v-if="l.test">
                · placed {{ dayAndClock(l.test.placedAt, zone) }},
                {{ PATCH_PLACE_NAMES[l.test.place] }}</template
              ></span
            ></span
          >
          <span v-if="may" class="row"
            ><VBtn
              v-if="l.state.kind === 'due'"
              size="small"
              height="38"
              variant="outlined"
              @click="put(l.product.id)"
              >Place it<span class="sr">: {{ l.product.name }}</span></VBtn
            >
            <template v-else-if="l.test && l.state.kind !== 'reaction'"
              ><VBtn
                v-if="l.state.kind !== 'waiting'"
                size="small"
                height="38"
                variant="outlined"
                @click="read(l.test.id, 'clear')"
                >Clear<span class="sr">: {{ l.product.name }}</span></VBtn
              ><VBtn
                size="small"
                height="38"
                variant="outlined"
                color="error"
                @click="read(l.test.id, 'reaction')"
                >Reaction<span class="sr">: {{ l.product.name }}</span></VBtn
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
        Read at 24 h and again at 48 h; late reactions up to 96 h are possible: say so. A clear test
        holds six months for that product.
      </p>
    </div>
  </details>
</template>

<style scoped>
summary {
  cursor: pointer;
}
summary h2 {
  display: inline;
}
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
