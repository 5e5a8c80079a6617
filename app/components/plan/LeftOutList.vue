<script setup lang="ts">
import { shortName } from '#core/catalogue/techniques/traits'
import type { TechniqueId } from '#core/catalogue/techniques/techniques'
import type { LeftOut } from '#core/planning/answer/leftOut'

/** What is not in the plan, and what it would cost to have it. */
defineProps<{ left: readonly LeftOut[] }>()
const emit = defineEmits<{
  add: [id: TechniqueId]
  exchange: [id: TechniqueId]
  compare: []
}>()
const price = ({ extraMinutes, why }: LeftOut) =>
  extraMinutes ? `+ ${extraMinutes} min` : why.text
/** Takes the place of something: the plan is made anew with it. */
const swaps = ({ dropsOut }: LeftOut) => (dropsOut?.length ?? 0) > 0
const take = (one: LeftOut) =>
  swaps(one) ? emit('exchange', one.technique) : emit('add', one.technique)
const mayAdd = ({ why }: LeftOut) => why.rule !== 'scope'
</script>

<template>
  <div>
    <div class="between head">
      <h2>Left out</h2>
      <VBtn variant="text" size="small" height="32" @click="emit('compare')">Compare</VBtn>
    </div>
    <ul v-if="left.length" class="plainlist left">
      <li v-for="one in left" :key="one.technique">
        <span>{{ shortName(one.technique) }}</span>
        <em>{{ price(one) }}</em>
        <VBtn
          v-if="mayAdd(one)"
          variant="outlined"
          size="small"
          height="28"
          min-width="0"
          :aria-label="swaps(one) ? `Swap in ${one.name}, ${one.why.text}` : `Add ${one.name}`"
          @click="take(one)"
          >{{ swaps(one) ? 'swap' : 'add' }}</VBtn
        >
      </li>
    </ul>
  </div>
</template>

<style scoped>
.head {
  align-items: center;
}
h2 {
  font-size: 1.05rem;
}
.left {
  max-height: max(190px, calc(100dvh - 560px));
  overflow-y: auto;
}
.left li {
  display: flex;
  justify-content: space-between;
  gap: 10px;
  padding: 3px 0;
  font-size: 0.9375rem;
  align-items: baseline;
}
.left em {
  font-family: var(--serif);
  color: var(--clay-deep);
  text-align: right;
  flex: 1;
  font-size: 0.875rem;
  line-height: 1.2;
}
.left span {
  flex: 0 0 38%;
}
</style>
