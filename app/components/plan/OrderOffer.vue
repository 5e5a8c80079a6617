<script setup lang="ts">
import type { PlanStep } from '#core/catalogue/techniques/step'
import { techniqueOf } from '#core/catalogue/techniques/ownWay'
import { putInOrder } from '#core/planning/answer/putInOrder'
import type { Edit } from '#core/planning/steps/edit'
import type { PlanInput } from '#core/planning/input'

/** A plan out of order, and its nearest lawful order, whole, in one tap. */
const props = defineProps<{ steps: readonly PlanStep[]; input: PlanInput }>()
const emit = defineEmits<{ edit: [edits: Edit[]] }>()
const offer = computed(() => putInOrder(props.input, props.steps))
const names = computed(() => {
  const moved = offer.value?.moved ?? []
  const steps = props.steps.filter((step) => moved.includes(step.key))
  return steps.map((step) => techniqueOf(step).name.toLowerCase()).join(', ')
})
</script>

<template>
  <p v-if="offer" class="tag watch offer" role="status">
    Out of order.
    <VBtn
      variant="outlined"
      size="small"
      height="32"
      :aria-label="`Put in order: moves ${names}`"
      @click="emit('edit', [...offer.edits])"
      >Put in order</VBtn
    >
    <span v-if="names">moves {{ names }}</span>
  </p>
</template>

<style scoped>
.offer {
  display: flex;
  gap: 10px;
  align-items: center;
}
</style>
