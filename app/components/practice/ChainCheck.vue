<script setup lang="ts">
import { howMany } from '#core/words'
import type { ChainStep } from '#contracts/replies/practice'
import { sayProblem, useApi } from '~/composables/useApi'

/** Walks the chain of seals from here, stretch by stretch, and says how far it is. */
const api = useApi()
const last = ref<ChainStep | null>(null)
const erased = ref(0)
const trouble = ref('')
let gone = false

async function walk() {
  try {
    for (let after = 0, done = false; !done && !gone;) {
      const step = await api<ChainStep>(`/api/practice/chain?after=${after}`)
      last.value = step
      erased.value += step.erasedParts
      after = step.walked
      done = step.done
    }
  } catch (error) {
    trouble.value = sayProblem(error)
  }
}
onMounted(walk)
onUnmounted(() => {
  gone = true
})

const words = computed(() => {
  const step = last.value
  if (!step) return 'checking the seals'
  if (step.broken !== null) return `broken at seal ${step.broken}`
  if (step.brokenAmendment !== null) return `broken at amendment ${step.brokenAmendment}`
  if (!step.done) return `${step.walked} of ${step.total} seals checked, all valid so far`
  if (step.total === 0) return 'no seal yet'
  return howMany(step.total, 'seal valid')
})
const tone = computed(() => {
  if (!last.value?.done) return ''
  return (last.value.broken ?? last.value.brokenAmendment) ? 'stop' : 'good'
})
</script>

<template>
  <div>
    <p class="tag" :class="tone" aria-live="polite">{{ words }}</p>
    <p v-if="trouble" role="alert" class="tag stop">{{ trouble }}</p>
    <p v-if="last?.done && erased" class="soft">{{ howMany(erased, 'part') }} erased.</p>
    <SignedHead />
  </div>
</template>
