<script setup lang="ts">
import { mdiPlus, mdiSwapHorizontal } from '@mdi/js'
import { shortName } from '#core/catalogue/techniques/traits'
import type { LeftOut } from '#core/planning/answer/leftOut'

/** What is not in the plan for one reason, or at one price; each can be had all the same. */
defineProps<{ text: string; left: readonly LeftOut[] }>()
const emit = defineEmits<{ take: [one: LeftOut] }>()
/** Takes the place of something: the plan is made anew with it. */
const swaps = ({ dropsOut }: LeftOut) => (dropsOut?.length ?? 0) > 0
/** What this house, or these hands, cannot do at all: said, and not offered. */
const NOT_HERE = ['scope', 'house-without', 'no-device', 'no-product']
const may = ({ why }: LeftOut) => !NOT_HERE.includes(why.rule)
const labelOf = (one: LeftOut) =>
  swaps(one) ? `Swap in ${one.name}, ${one.why.text}` : `Add ${one.name}`
</script>

<template>
  <li>
    <em>{{ text }}</em>
    <span class="row names">
      <template v-for="one in left" :key="one.technique">
        <VBtn
          v-if="may(one)"
          variant="outlined"
          size="small"
          height="30"
          class="take"
          :prepend-icon="swaps(one) ? mdiSwapHorizontal : mdiPlus"
          :aria-label="labelOf(one)"
          @click="emit('take', one)"
          >{{ shortName(one.technique) }}</VBtn
        >
        <span v-else class="soft">{{ shortName(one.technique) }}</span>
      </template>
    </span>
  </li>
</template>

<style scoped>
li {
  padding: 4px 0 6px;
  border-bottom: 1px solid var(--line);
}
em {
  font-family: var(--serif);
  color: var(--clay-deep);
  font-size: 0.875rem;
  line-height: 1.2;
}
.names {
  gap: 5px;
  padding-top: 3px;
}
.take {
  padding: 0 8px;
}
</style>
