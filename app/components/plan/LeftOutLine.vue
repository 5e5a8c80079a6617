<script setup lang="ts">
import { shortName } from '#core/catalogue/techniques/traits'
import type { LeftOut } from '#core/planning/answer/leftOut'

/** One thing that is not in the plan: why, or its price, and the way to have it all the same. */
const props = defineProps<{ one: LeftOut }>()
const emit = defineEmits<{ take: [] }>()
const price = computed(() =>
  props.one.extraMinutes ? `+ ${props.one.extraMinutes} min` : props.one.why.text,
)
/** Takes the place of something: the plan is made anew with it. */
const swaps = computed(() => (props.one.dropsOut?.length ?? 0) > 0)
const may = computed(() => props.one.why.rule !== 'scope')
</script>

<template>
  <li>
    <span class="name">{{ shortName(one.technique) }}</span>
    <VBtn
      v-if="may"
      variant="outlined"
      size="small"
      height="28"
      min-width="0"
      :aria-label="swaps ? `Swap in ${one.name}, ${one.why.text}` : `Add ${one.name}`"
      @click="emit('take')"
      >{{ swaps ? 'swap' : 'add' }}</VBtn
    >
    <em>{{ price }}</em>
  </li>
</template>

<style scoped>
li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  column-gap: 8px;
  align-items: center;
  padding: 4px 0;
  border-bottom: 1px solid var(--line);
  font-size: 0.9375rem;
}
.name {
  font-weight: 600;
}
em {
  grid-column: 1 / -1;
  font-family: var(--serif);
  color: var(--clay-deep);
  font-size: 0.875rem;
  line-height: 1.2;
}
</style>
