<script setup lang="ts">
import type { PlanStep } from '#core/catalogue/techniques/step'
import { OTHER_SIDE, SIDE_IDS, SIDE_NAMES, type Side } from '#core/face/sides'
import type { Edit } from '#core/planning/steps/edit'
import { otherHalfEdits, sideEdits, sideWorked } from '#core/planning/steps/halves'

/** Half of the face with this step and half with another, side by side. */
const props = defineProps<{ step: PlanStep; steps: readonly PlanStep[] }>()
const emit = defineEmits<{ edit: [edits: Edit[]] }>()
const BOTH = 'both'
const CHOICES = [
  { value: BOTH, title: 'Both sides' },
  ...SIDE_IDS.map((side) => ({ value: side, title: `Only ${SIDE_NAMES[side]}` })),
]
const worked = computed(() => sideWorked(props.step))
function choose(to: Side | typeof BOTH) {
  emit('edit', sideEdits(props.steps, props.step.key, to === BOTH ? undefined : to))
}
const addOther = () => emit('edit', otherHalfEdits(props.steps, props.step.key))
</script>

<template>
  <div class="sides">
    <VBtnToggle
      :model-value="worked ?? BOTH"
      mandatory
      color="primary"
      variant="outlined"
      density="compact"
      role="group"
      aria-label="Sides of the face"
      @update:model-value="choose"
    >
      <VBtn
        v-for="choice in CHOICES"
        :key="choice.value"
        :value="choice.value"
        size="small"
        height="32"
        >{{ choice.title }}</VBtn
      >
    </VBtnToggle>
    <VBtn v-if="worked" variant="text" size="small" height="32" @click="addOther"
      >Add the {{ SIDE_NAMES[OTHER_SIDE[worked]] }} half</VBtn
    >
  </div>
</template>

<style scoped>
.sides {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 8px;
}
.sides :deep(.v-btn-group) {
  height: 32px;
}
</style>
