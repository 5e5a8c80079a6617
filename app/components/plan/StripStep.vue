<script setup lang="ts">
import { mdiPin } from '@mdi/js'
import { techniqueOf } from '#core/catalogue/techniques/ownWay'
import type { Edit } from '#core/planning/steps/edit'
import { chipName } from '~/composables/plan/lines'
import type { StripLine } from '~/composables/plan/strip'

/** One step on the strip: what, how long, where and how much; what stands against it, or why it is. */
const props = defineProps<{ line: StripLine; may: boolean }>()
const emit = defineEmits<{ edit: [edits: Edit[]] }>()
const step = computed(() => props.line.step)
const technique = computed(() => techniqueOf(step.value))
const first = computed(() => props.line.findings[0])
const mend = computed(() => (props.may ? first.value?.mends[0] : undefined))
</script>

<template>
  <template v-if="line.whole">
    <span class="what">
      <VIcon v-if="step.pinned" :icon="mdiPin" size="14" aria-label="pinned" />
      <b>{{ technique.name }}</b>
      <span class="figures min">{{ step.minutes }} min</span>
      <span class="soft det">{{ line.detail }}</span>
    </span>
    <span v-if="first" class="find">
      <span>{{ first.text }}</span>
      <VBtn
        v-if="mend"
        variant="outlined"
        size="x-small"
        height="24"
        class="mend"
        @click.stop="emit('edit', [...mend.edits])"
        >{{ mend.label }}</VBtn
      >
    </span>
    <em v-else-if="line.why" class="why">{{ line.why }}</em>
  </template>
  <template v-else>
    <VIcon v-if="step.pinned" :icon="mdiPin" size="12" aria-label="pinned" />
    <b>{{ chipName(step) }}</b>
    <span class="figures min">{{ step.minutes }}</span>
  </template>
</template>

<style scoped>
.min {
  color: var(--ink-soft);
  margin-left: 6px;
  font-size: 0.8125rem;
}
.det {
  margin-left: 8px;
  font-size: 0.8125rem;
}
.why {
  font-size: 0.9375rem;
  line-height: 1.2;
}
.find {
  color: var(--berry);
  font-weight: 600;
  font-size: 0.875rem;
  line-height: 1.2;
}
.adapt:not(.stop) > .find {
  color: var(--amber);
}
.mend {
  font-weight: 700;
  background: var(--chalk);
  margin-left: 8px;
}
</style>
