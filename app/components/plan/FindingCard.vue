<script setup lang="ts">
import type { Mend, PlanFinding } from '#core/planning/checks/check'
import type { Edit } from '#core/planning/steps/edit'

/** What stands against the plan, its source, and what puts it right in one tap. */
defineProps<{ finding: PlanFinding; may: boolean; source?: boolean }>()
const emit = defineEmits<{ edit: [edits: Edit[]] }>()
const words = ({ label, minutes }: Mend) => {
  if (!minutes) return label
  return `${label} (${minutes > 0 ? '+' : ''}${minutes} min)`
}
</script>

<template>
  <div class="finding" :class="finding.strength">
    <b>{{ finding.text }}</b>
    <span v-if="source" class="soft">{{ finding.source }}</span>
    <span v-if="may" class="row">
      <VBtn
        v-for="mend in finding.mends"
        :key="mend.label"
        size="small"
        height="32"
        color="primary"
        @click="emit('edit', [...mend.edits])"
        >{{ words(mend) }}</VBtn
      >
    </span>
  </div>
</template>

<style scoped>
.finding {
  border-left: 5px solid var(--amber);
  background: var(--amber-mist);
  border-radius: 7px;
  padding: 7px 10px;
  display: flex;
  flex-direction: column;
  gap: 4px;
  font-size: 0.9375rem;
}
.finding.stop {
  border-left-color: var(--berry);
  background: var(--berry-mist);
}
</style>
