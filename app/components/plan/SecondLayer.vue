<script setup lang="ts">
import { DRANK_RULE } from '#core/catalogue/products/watering'
import type { PlanStep } from '#core/catalogue/techniques/step'
import { layerWords } from '#core/dosing/layers'
import type { PlanInput } from '#core/planning/input'
import { sayProblem } from '~/composables/useApi'
import { useVisit } from '~/stores/visit'

/** Where a second layer goes on because a zone drank the last one; it can be set aside for today. */
const props = defineProps<{ step: PlanStep; input: PlanInput }>()
const visit = useVisit()
const trouble = ref('')
const words = computed(() => {
  const item = props.input.shelf.find(({ product }) => product.id === props.step.productId)
  return item ? layerWords(props.step, item.product, props.input) : ''
})
const may = computed(() => visit.bundle?.visit.status === 'booked')
async function setAside() {
  trouble.value = ''
  try {
    await visit.send('/lifts', 'POST', {
      id: crypto.randomUUID(),
      rule: DRANK_RULE,
      word: '',
      reason: 'one layer is enough today',
    })
    await visit.reload()
  } catch (error) {
    trouble.value = sayProblem(error)
  }
}
</script>

<template>
  <p v-if="words" class="row">
    <span>{{ words }}: absorbed it at once last time</span>
    <VBtn v-if="may" variant="text" size="small" @click="setAside">One layer today</VBtn>
    <span v-if="trouble" role="alert" class="tag stop">{{ trouble }}</span>
  </p>
</template>

<style scoped>
p span::first-letter {
  text-transform: uppercase;
}
</style>
